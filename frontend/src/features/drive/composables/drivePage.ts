import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'

import { api, attempt } from '@/api/client'
import type { Build, Drive, DriveAnswer, DriveInput, Elevation, Options, Picked, Problem, Sheet } from '@/api/types'
import { forDuty } from '@/forms/duty'
import { onTheMachine } from '@/shared/state/builds'
import { useFamilies } from '@/shared/state/families'
import { useKept } from '@/shared/state/kept'
import { rememberDrive } from '@/shared/state/knownDrives'
import { keepRead, lastRead } from '@/shared/state/lastRead'
import { useLater } from '@/shared/state/later'
import { save } from '@/shared/state/outbox'
import { driveWay, setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'

import { useWorkedDrive } from './workedDrive'

/** What this device keeps of a drive that was read: enough to show it without the server. */
interface Read {
  drive: Drive
  build: Build | undefined
  answer: DriveAnswer | null
}

/** A drive with what stands on it: read, worked, changed, kept. */
export function useDrivePage(id: () => string) {
  const settings = useSettings()
  const route = useRoute()
  const router = useRouter()
  const drive = ref<Drive>()
  const missing = ref<{ why: 'offline' | 'gone' | 'failed'; detail: string } | null>(null)
  const saving = ref<Problem | null>(null)
  const build = ref<Build>()
  const worked = useWorkedDrive()
  const faultPath = ref('')
  const settled = ref(false)
  // When what is shown was read, where it was not read just now; checking while a newer reading is under way.
  const asOf = ref('')
  const checking = ref(false)
  const unsavedBar = ref<HTMLElement>()
  // The last save, so that what it was asked can be added and it can be sent again.
  const sent = ref<Record<string, unknown>>({})
  const anyway = ref<'' | 'designed' | 'fitted'>('')
  // What the options are held against: the build that is shown, not a change that is being tried.
  const today = ref<Sheet | null>(null)
  const standing = ref<Elevation | null>(null)
  const { known } = useFamilies()
  // A change that is not saved yet outlives the tab.
  const { value: kept, forget } = useKept(`drive.${id()}`, () => ({
    input: null as DriveInput | null,
    family: '',
    calc: '',
    options: {} as Options,
  }))
  const readKey = () => `drive.${id()}.${settings.units}`

  const stage = computed({
    get: () =>
      typeof route.query.stage === 'string'
        ? route.query.stage
        : build.value
          ? 'tension'
          : drive.value?.duty
            ? 'choose'
            : 'duty',
    set: (s) => void router.replace({ query: { ...route.query, stage: s } }),
  })
  const draft = computed(() => drive.value?.builds.find((b) => b.state === 'draft'))

  function place(d: Drive) {
    const { machine } = d
    setPlace(d.name, driveWay({ area: machine.area, machine: machine.name, machineId: machine.id }))
    rememberDrive(d.id, { area: machine.area, machine: machine.name, machineId: machine.id, drive: d.name })
  }
  /** Shows what this device read last; false where it never did. */
  function fromDevice(): boolean {
    const last = lastRead<Read>(readKey())
    if (!last) return false
    drive.value = last.data.drive
    build.value = last.data.build
    worked.show(last.data.build, last.data.answer)
    today.value = last.data.answer?.sheet ?? null
    asOf.value = last.at
    place(last.data.drive)
    return true
  }
  async function load(keepShown = false) {
    if (!drive.value) checking.value = fromDevice()
    const got = await attempt(
      api.GET('/api/drives/{ident}', { params: { path: { ident: id() }, query: { units: settings.units } } }),
    )
    if (!got.ok) {
      checking.value = false
      // Only a server that knows it is not there may take away what was read before.
      const gone = !got.offline && [404, 422].includes(got.problem.status)
      if (gone || !drive.value) {
        drive.value = undefined
        setPlace(gone ? 'Not kept here' : 'Drive')
        missing.value = { why: got.offline ? 'offline' : gone ? 'gone' : 'failed', detail: got.problem.detail }
      } else settled.value = true
      return
    }
    missing.value = null
    drive.value = got.data
    place(got.data)
    if (keepShown) return
    settled.value = false
    const unsaved = kept.value.input
    if (unsaved) {
      build.value = got.data.builds[0]
      // An earlier version kept the book under its former name.
      const { basis } = kept.value as { basis?: string }
      worked.options.value = basis ? { book: basis } : kept.value.options
      await worked.take(kept.value.family, kept.value.calc, unsaved)
    } else {
      // What stands on the machine before a plan for it: its tension is the one to set.
      const builds = got.data.builds
      const onIt = onTheMachine(builds)
      const first = builds.find((b) => b.id === route.query.build) ?? onIt ?? builds[0]
      if (first) await show(first)
      // A plan, or an earlier build that was asked for, is not what stands there.
      if (!first || first === (onIt ?? builds[0])) keepOnDevice(got.data)
    }
    settled.value = true
    checking.value = false
    asOf.value = ''
  }
  /** The working stays behind: it is most of an answer, and the figures are what is needed without a server. */
  function keepOnDevice(d: Drive) {
    const answer = worked.answer.value
    keepRead(readKey(), { drive: d, build: build.value, answer: answer && { ...answer, working: [] } } satisfies Read)
  }
  async function show(b: Build) {
    build.value = b
    worked.options.value = b.options
    await worked.take(b.family, b.calc, b.input, false)
    worked.changed.value = false
    today.value = worked.answer.value?.sheet ?? null
    standing.value = worked.answer.value?.elevation ?? null
    forget()
  }
  async function change(path: string, typed: string) {
    faultPath.value = path
    if (await worked.change(path, typed)) remember()
  }
  async function use(options: Options) {
    const before = worked.options.value
    worked.options.value = options
    if (worked.input.value && (await worked.work(worked.input.value))) return remember()
    worked.options.value = before
  }
  function remember() {
    kept.value.input = worked.input.value
    kept.value.options = worked.options.value
    kept.value.family = worked.family.value
    kept.value.calc = worked.calc.value
  }
  async function pick(p: Picked) {
    faultPath.value = ''
    worked.options.value = p.options ?? {}
    if (await worked.take(p.family, p.calc, await asked(p.family, p.input))) remember()
    // What the press opened is the saving: the eye and the focus go there.
    await nextTick()
    unsavedBar.value?.scrollIntoView({ block: 'center' })
    unsavedBar.value?.focus()
  }
  /** An input with what the duty of this drive asks, so that its speed is held against the wanted one. */
  async function asked(family: string, input: DriveInput): Promise<DriveInput> {
    const of = (await known()).find((f) => f.key === family)
    return of && drive.value?.duty ? forDuty(input, drive.value.duty, of.speed_field) : input
  }
  async function keep(purpose: 'designed' | 'fitted', freeze: boolean) {
    if (!worked.input.value) return
    // A change that was refused is not on the drawing: settling would leave it out without a word.
    if (freeze && worked.problem.value && !anyway.value) {
      anyway.value = purpose
      return
    }
    anyway.value = ''
    await send({
      rev: draft.value?.rev ?? 0,
      purpose,
      freeze,
      units: settings.units,
      options: worked.options.value,
      created_by_name: settings.name,
      family: worked.family.value,
      input: worked.input.value,
    })
  }
  async function send(body: Record<string, unknown>) {
    sent.value = body
    const got = await save<Build>(
      'POST',
      `/api/drives/${id()}/builds`,
      body,
      `a build of ${drive.value?.name ?? 'a drive'}`,
    )
    if (!got.ok) {
      saving.value = got.problem
      return
    }
    saving.value = null
    forget()
    worked.changed.value = false
    await load(true)
    build.value = drive.value?.builds.find((b) => b.id === got.data.id)
    await landOn('h1')
  }
  async function undo() {
    worked.problem.value = null
    if (build.value) await show(build.value)
    else {
      worked.answer.value = null
      worked.input.value = null
      worked.changed.value = false
      forget()
    }
    await landOn('h1')
  }
  async function theirs() {
    saving.value = null
    forget()
    worked.changed.value = false
    await load()
  }
  /** The duty holds for everything that is shown: what stands here is worked for it at once. */
  async function dutySaved(d: Drive) {
    drive.value = d
    if (worked.changed.value && worked.input.value) {
      if (await worked.work(await asked(worked.family.value, worked.input.value))) remember()
    } else {
      const now = d.builds.find((b) => b.id === build.value?.id)
      if (now) await show(now)
    }
    if (!build.value) stage.value = 'choose'
    await landOn(`#stage-${stage.value}`)
  }
  /** What was pressed is gone with its form: the focus goes to what took its place. */
  async function landOn(selector: string) {
    await nextTick()
    const to = document.querySelector<HTMLElement>(`main ${selector}`)
    if (to && !to.hasAttribute('tabindex')) to.setAttribute('tabindex', '-1')
    to?.focus({ preventScroll: selector === 'h1' })
  }
  useLater(saving, () => void theirs())
  watch(
    () => settings.units,
    () => {
      // At once, so that what the person does next comes after it.
      if (worked.input.value) void worked.work(worked.input.value, worked.changed.value)
      void load(true)
    },
  )

  return {
    drive,
    missing,
    saving,
    build,
    worked,
    faultPath,
    settled,
    asOf,
    checking,
    unsavedBar,
    sent,
    anyway,
    today,
    standing,
    stage,
    draft,
    load,
    show,
    change,
    use,
    pick,
    keep,
    send,
    undo,
    theirs,
    dutySaved,
  }
}
