/** What the answer of a question draws itself, as a sketch without sizes, by the kind of its picture. */
export const SKETCHES: Record<string, { says: string; solid: string; thin: string }> = {
  made: {
    says: 'A wheel cut through, to be made',
    solid: 'M120 30H240V60H200V92H240V104H120V92H160V60H120ZM120 196H240V166H200V134H240V122H120V134H160V166H120Z',
    thin: 'M60 113H300M262 30V196M257 35l10-10M257 201l10-10M120 214H240M115 219l10-10M235 219l10-10M420 40a73 73 0 1 0 .1 0M420 96a17 17 0 1 0 .1 0M414 80h12v18',
  },
  flow: {
    says: 'Head over flow at two speeds',
    solid: '',
    thin: 'M80 20V196H590M80 60Q330 66 500 180M80 30Q380 36 570 190M80 190Q330 180 560 40M420 128m-6 0a6 6 0 1 0 12 0a6 6 0 1 0-12 0M466 104m-6 0a6 6 0 1 0 12 0a6 6 0 1 0-12 0',
  },
  rollers: {
    says: 'Rollers on a belt',
    solid: '',
    thin: `M60 150a34 34 0 1 0 .1 0M580 150a34 34 0 1 0 .1 0M60 84L580 84M60 152H580${[130, 210, 290, 370, 450, 530].map((x) => `M${x} 42a20 20 0 1 0 .1 0`).join('')}${[170, 250, 330, 410, 490].map((x) => `M${x} 92a12 12 0 1 0 .1 0`).join('')}`,
  },
  notes: {
    says: 'Notes of a drive on a line',
    solid: '',
    thin: `M40 170H600${[70, 140, 210, 300, 390, 520].map((x, k) => `M${x} 170V${60 + k * 14}`).join('')}`,
  },
  fall: {
    says: 'Tension over the hours',
    solid: '',
    thin: 'M80 20V190H600M100 40L580 140M120 44a5 5 0 1 0 .1 0M280 78a5 5 0 1 0 .1 0M400 104a5 5 0 1 0 .1 0',
  },
}
