// Hands the microphone's samples on as they come; nothing is kept here.
class Listen extends AudioWorkletProcessor {
  process(inputs) {
    const channel = inputs[0]?.[0]
    if (channel) this.port.postMessage(channel.slice())
    return true
  }
}
registerProcessor('listen', Listen)
