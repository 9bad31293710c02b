import type {
  Connection,
  ConnectorPins,
  Decision,
  NewPartCheck,
  OrderCost,
  Remembered,
  RepairGuide,
  RepairOption,
  ShopCosts,
  TestCard,
  View,
} from '../../core/advice'
import type { ExpectedRun } from '../../core/running'
import type { ReportJudgement, ReportMachine } from '../../core/report'
import type { Ladder } from '../../core/diagram'
import type { DrawnPicture, Strips } from '../../core/diagram/layout'
import type { Acceptance, Strategy, Written } from './written'
import type { Dimension, ReadingShape } from '../../core/foundation/quantity'
import type { ProofNeed, SafetyNeed } from '../../core/job'
import type { HandAct, Kit, WorkMode } from '../../core/evidence'
import type { OwnOptions, SheetOption } from '../../core/model/sheet'
import type { ShopRecord } from '../../core/statistics'

export type { Acceptance, Strategy, Written } from './written'

export type { Remembered } from '../../core/advice'

/** What a page must know of a machine to show and ask. */
export interface MachineFacts {
  /** What was computed of it before has been provided already. */
  provided: boolean
  /** What moves the predictions of the revision: the shop's readings of good parts and what is fitted, as a text; empty where nothing does. */
  basis: string
  title: string
  source: string
  parts: {
    id: string
    title: string
    line: 'water' | 'power' | 'level'
    byHand: boolean
    terminals: readonly string[]
    /** Colours of the wires at its terminals, where the sheet says them. */
    colours: Readonly<Record<string, string>>
  }[]
  /** What comes off it for one test or another. */
  connections: Connection[]
  /** Moments at which a free probe can be taken, and the meters for it. */
  moments: { id: string; title: string }[]
  meters: { id: string; title: string; dead: boolean }[]
  complaints: { id: string; words: string }[]
  /** What can be started, with the keys into and out of a service mode. */
  programs: { id: string; title: string; service: { enter: string; leave: string } | undefined }[]
  /** What may be measured beside the machine that its runs hang on: the room, the water and its pressure; SI as the sheet has it. */
  conditions: { id: string; title: string; dimension: Dimension; usual: number }[]
  /** What such a machine may have or not, and whether this one has it. */
  options: readonly SheetOption[]
  /** What may be said of the days before. */
  circumstances: { id: string; words: string }[]
  makeSafe: (SafetyNeed & { text: string })[]
  tests: {
    id: string
    title: string
    when: string
    workMode: WorkMode
    part: number
    shape: ReadingShape
    /** It is about what the customer's run left behind: to be looked at before anything is moved. */
    asFound: boolean
    /** How a customer beside the machine can answer it; `undefined` where only hands trained for it can. */
    byCustomer: string | undefined
    how: string | undefined
    powered: boolean
  }[]
  /** What bites at this machine, and what a customer beside it may be told. */
  cautions: string[]
  customer: string[]
  repairs: { id: string; title: string }[]
  /** What to look at before anything is moved, as the sheet says. */
  asFound: readonly string[]
  /** Plugs by the names beside them, with what is on each pin. */
  connectors: ConnectorPins[]
  settings: { id: string; title: string; found: string; usual: string | undefined }[]
  care: { id: string; text: string; every: string; why: string }[]
  /** What of the shop's own record counts: closed jobs, years of machines, windings known good. */
  experience: { jobs: number; machineYears: number; knownGood: number } | undefined
}

export type Judged = View['readings'][number]

/** One answer for card, suspects and verdicts together. */
export interface Answer {
  view: View
  /** The verdict on each reading, by the event that brought it. An event that the sheet does not know has none. */
  verdicts: Record<string, Judged>
}

export interface Question {
  written: Written[]
  strategy: Strategy
  acceptance: Acceptance
  /** Work that whoever asks may not do. */
  barred: WorkMode[]
  /** What whoever asks has with them. */
  kit: Kit
}

/** The lines of the machine, drawn once: as a picture, and one after another where there is no room for it. */
export interface MachineDrawing {
  picture: DrawnPicture
  strips: Strips
  /** The wiring to measure on, point by point. */
  ladder: Ladder
}

/** What is known of bridging a part. */
export interface Contact {
  mayBeBridged: boolean
  /** What it lets run that can hurt: with any of these it is protection, bridged only where the sheet says so. */
  lets: string[]
}

/** A repair as hands need it: how it is done, what of the new part is proved, and what has to hold after it. */
export interface RepairPlan {
  id: string
  title: string
  minutes: number
  price: number
  licensed: string | undefined
  caution: string | undefined
  acts: HandAct[]
  guide: RepairGuide
  newPart: NewPartCheck[]
  /** With how each is shown. */
  proofs: (ProofNeed & { how: string })[]
}

/** What could be done about it, each with what a page shows of it. */
export type Choices = Omit<Decision, 'options'> & { options: (RepairOption & Pick<RepairPlan, 'guide' | 'caution'>)[] }

/** What the worker answers. */
export interface EngineApi {
  /**
   * @param record what the shop has seen of such machines; `undefined` where nothing is known of it
   * @param own what the machine has or has not, where it is otherwise than the sheet says
   */
  open(files: { id: string; file: string; text: string }[], record?: ShopRecord, own?: OwnOptions): MachineFacts
  /** What has been computed of the sheet before, so that it need not be again. @returns whether it could be read */
  provide(bytes: Uint8Array): Promise<boolean>
  /** What has been computed of the sheet so far, to be provided another time. */
  computed(): Promise<Uint8Array>
  /** Computes ahead what will be asked first. */
  rehearse(question: Question): void
  drawing(): MachineDrawing
  view(question: Question, quick: boolean): Answer
  card(question: Question, test: string, instrument: string | undefined, quick: boolean): TestCard | undefined
  /**
   * A program as it would go with nothing wrong.
   *
   * @param conditions what was measured, SI by id
   * @param windows with the windows of good machines and what the suspects would make of it
   */
  run(question: Question, program: string, conditions: Record<string, number>, windows: boolean): ExpectedRun
  /** What could be done about it and what each comes to in all. */
  decide(question: Question, costs: ShopCosts): Choices
  /** A repair of the sheet by its id; `undefined` where it has none of that name. */
  repairPlan(acceptance: Acceptance, repair: string): RepairPlan | undefined
  /** What a report of the job has to know, and what the evidence comes to. */
  report(question: Question): { machine: ReportMachine; judgement: ReportJudgement }
  /** What the shop's closed jobs have taught of such machines, beside what the sheet says. */
  remembered(record: ShopRecord): Remembered
  /** The named orders of work, with what each would begin with. */
  orders(question: Question): OrderCost[]
  /** Of some tests those that tell something of the fault, with how much, nat: those that tell most first. */
  telling(question: Question, tests: string[]): [id: string, nats: number][]
  /** Why a part is not suspected, in words. */
  whyNot(question: Question, part: number): string
  /** What is known of bridging a part (by index). */
  contact(part: number): Contact
  /** The id of a free probe, or why there is none. */
  probe(text: string, instrument: string): { id: string } | { refused: string }
}
