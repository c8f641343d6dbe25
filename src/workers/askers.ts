import type { MachineChange } from '../core/advice/planChange.ts'
import type { BillRecipe } from '../core/billMapping/billMapping.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { PlanLedger, PlanLedgerInputs } from '../core/ledger/planLedger.ts'
import type { AssumptionCost } from '../core/manner/assumptionCosts.ts'
import type { PlanPricingInputs } from '../core/meter/planPricing.ts'
import type { MachineSummary } from '../core/meter/summarisePlan.ts'
import type { EditionEffect, EditionEffectInputs } from '../core/pricelist/editionEffect.ts'
import type { EditionSummary } from '../core/pricelist/summariseEditions.ts'
import type { Outcome } from '../core/outcome.ts'
import type { MarketLook, MarketQuestion, MarketView } from '../core/market/marketView.ts'
import type { DraggedView } from '../core/market/DraggedField.ts'
import type { DraggedNeed } from '../core/market/needSteps.ts'
import type { MixQuestion } from '../core/market/mixQuestion.ts'
import type { MixAnswer, MixStep } from '../core/market/planMix.ts'
import type { ManyChange } from '../core/wholePlan/changeMany.ts'
import type { ManyPreview } from '../core/wholePlan/previewMany.ts'
import type { OverviewInputs, OverviewPart } from '../core/wholePlan/planOverview.ts'
import type { SearchProgress } from '../core/search/cheapestFit.ts'
import type { DayBeside } from '../core/reconcile/linesBeside.ts'
import type { PlanSearch, SearchResults } from '../core/search/searchPlan.ts'
import type { BillAnswer } from '../files/bill/billAnswer.ts'
import type { ComparisonQuestion } from '../files/bill/comparisonQuestion.ts'
import type { BillLinesQuestion } from '../files/bill/billLinesAnswer.ts'
import type { BilledMonth, BillMonthsQuestion } from '../files/bill/billMonths.ts'
import type { BillFile } from '../files/bill/billParts.ts'
import type { SampledBill } from '../files/bill/billSample.ts'
import type { BillZones } from '../files/bill/BillRows.ts'
import type { ReadBills } from '../files/bill/keptBill.ts'
import type { PlanFromBill } from '../files/bill/planFromBill.ts'
import type { BillStep } from '../files/bill/readBill.ts'
import type { CalendarDates, DateRange } from '../files/calendar/calendarDates.ts'
import type { FileIssue } from '../files/reading/fileIssue.ts'
import type { Inventory, InventoryInputs } from '../files/inventory/inventory.ts'
import type { ListQuestion, ListReading } from '../files/pricelist/listAnswer.ts'
import type { Export } from '../files/writeExport.ts'
import type { ReadFile } from '../files/readAnyFile.ts'
import type { ScheduledWeek } from '../files/timers/readSchedule.ts'
import type { RehearsalFilm } from '../rehearsal/rehearsalFilm.ts'
import type { RehearsalSpread, SpreadQuestion } from '../rehearsal/rehearsalSpread.ts'
import type { RehearsalQuestion, RehearsedMonth } from '../rehearsal/rehearseBill.ts'
import { WorkerAsker } from './WorkerAsker.ts'

// Everything that is asked of workers. The address of each worker has to stand where it is begun, for the bundler.

/** What the month would be if answers that are assumed were others. */
export const assumptionAsker = () =>
  new WorkerAsker<PlanPricingInputs, readonly AssumptionCost[]>({
    begin: () => new Worker(new URL('./assumption.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'What is assumed could not be priced.',
  })

export interface BillReadQuestion {
  readonly files: readonly BillFile[]
  readonly zones: BillZones
  /** How bills are read that do not follow FOCUS. */
  readonly recipes: readonly BillRecipe[]
}

/** Reads a bill and reduces it to its days; its steps are how much is read. */
export const billAsker = () =>
  new WorkerAsker<BillReadQuestion, Outcome<ReadBills, FileIssue>, BillStep>({
    begin: () => new Worker(new URL('./bill.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'Reading the bill failed. Nothing was changed.',
  })

export interface BillComparisonQuestion extends ComparisonQuestion {
  readonly bytes: Uint8Array<ArrayBuffer>
}

export interface BillBesideQuestion extends BillLinesQuestion {
  readonly bytes: Uint8Array<ArrayBuffer>
}

/** What plan and bill say of one machine, day by day. */
export const billLinesAsker = () =>
  new WorkerAsker<BillBesideQuestion, Outcome<readonly DayBeside[], FileIssue>>({
    begin: () => new Worker(new URL('./billLines.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The lines of plan and bill could not be read.',
  })

export interface BillSampleQuestion {
  readonly files: readonly BillFile[]
  readonly provider: string
}

/** Looks at the beginning of a bill that does not follow FOCUS. */
export const billSampleAsker = () =>
  new WorkerAsker<BillSampleQuestion, Outcome<SampledBill, FileIssue>>({
    begin: () => new Worker(new URL('./billSample.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The bill could not be looked at.',
  })

/** Sets kept bills beside the plan, month by month; its steps are how many are done. */
export const billMonthsAsker = () =>
  new WorkerAsker<BillMonthsQuestion, readonly BilledMonth[], number>({
    begin: () => new Worker(new URL('./billMonths.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The months could not be compared.',
    waits: true,
  })

/** Sets a kept bill beside the plan. */
export const comparisonAsker = () =>
  new WorkerAsker<BillComparisonQuestion, Outcome<BillAnswer, FileIssue>>({
    begin: () => new Worker(new URL('./comparison.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The bill could not be compared.',
    waits: true,
  })

export interface CalendarQuestion {
  readonly file: File
  readonly timeZone: string
  readonly within: DateRange
}

/** Reads a calendar file. */
export const calendarAsker = () =>
  new WorkerAsker<CalendarQuestion, Outcome<CalendarDates, FileIssue>>({
    begin: () => new Worker(new URL('./calendar.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'Reading the calendar failed. Nothing was changed.',
  })

/** A plan, and forms that it could have. */
export interface ChangeQuestion extends PlanPricingInputs {
  readonly after: readonly PlanPricingInputs['plan'][]
}

/** Prices forms of a plan against it; answers what each changes, in their order. */
export const changeAsker = () =>
  new WorkerAsker<ChangeQuestion, readonly (readonly MachineChange[])[]>({
    begin: () => new Worker(new URL('./change.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'What this changes could not be priced.',
  })

/** Compares two editions of a book, and what that does to the plan. */
export const editionAsker = () =>
  new WorkerAsker<
    EditionEffectInputs,
    { readonly summary: EditionSummary; readonly effects: readonly EditionEffect[] }
  >({
    begin: () => new Worker(new URL('./edition.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The editions could not be compared.',
  })

/** Writes files. */
export const exportAsker = () =>
  new WorkerAsker<Export, string>({
    begin: () => new Worker(new URL('./export.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The file could not be written.',
  })

export interface ImportQuestion {
  readonly file: File
  readonly books: readonly PriceBook[]
}

export interface FromBillQuestion {
  readonly bytes: Uint8Array<ArrayBuffer>
  readonly month: YearMonth
  readonly timeZone: string
}

/** Makes a plan and its prices of a kept bill. */
export const fromBillAsker = () =>
  new WorkerAsker<FromBillQuestion, Outcome<PlanFromBill, FileIssue>>({
    begin: () => new Worker(new URL('./fromBill.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'No plan could be made of the bill.',
  })

/** Reads and checks a plan or a price book. */
export const importAsker = () =>
  new WorkerAsker<ImportQuestion, Outcome<ReadFile, FileIssue>>({
    begin: () => new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'Reading the file failed. Nothing was changed.',
  })

/** Reads tables of machines; its steps are how many rows are read. */
export const inventoryAsker = () =>
  new WorkerAsker<InventoryInputs, Inventory, number>({
    begin: () => new Worker(new URL('./inventory.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'Reading the rows failed. Nothing was changed.',
  })

/** Lays out a ledger. */
export const ledgerAsker = () =>
  new WorkerAsker<PlanLedgerInputs, PlanLedger>({
    begin: () => new Worker(new URL('./ledger.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The ledger could not be laid out.',
  })

/** Reads a price list by a mapping, or by one that it proposes; its steps are how many rows are read. */
export const listAsker = () =>
  new WorkerAsker<ListQuestion, Outcome<ListReading, FileIssue>, number>({
    begin: () => new Worker(new URL('./list.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'Reading the list failed. Nothing was changed.',
  })

/** Looks a plan over; its steps are the parts, as they are known, and its answer which there were. */
export const overviewAsker = () =>
  new WorkerAsker<OverviewInputs, readonly OverviewPart['kind'][], OverviewPart>({
    begin: () => new Worker(new URL('./overview.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The plan could not be looked over.',
    listens: true,
  })

/** One change for many machines of a plan. */
export interface ManyQuestion extends PlanPricingInputs {
  readonly names: ReadonlySet<string>
  readonly change: ManyChange
}

/** Tries one change on many machines. */
export const manyAsker = () =>
  new WorkerAsker<ManyQuestion, ManyPreview>({
    begin: () => new Worker(new URL('./many.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'What this changes could not be priced.',
  })

/** Flat, so that a question is the same as long as all its fields are. */
export type MarketAsked = MarketQuestion &
  MarketLook & {
    /** A need that is being dragged, and where it is. */
    readonly dragged?: { readonly need: DraggedNeed; readonly value: number } | undefined
  }

export interface MarketAnswer {
  /** Undefined where the machine itself has no price, and while a need is dragged. */
  readonly view?: MarketView | undefined
  /** What a need that is dragged changes in the view before it. */
  readonly dragged?: DraggedView
}

/** Ranks everything that is sold for one machine. The worker is kept: laying all offers out costs more than an answer. */
export const marketAsker = () =>
  new WorkerAsker<MarketAsked, MarketAnswer>({
    begin: () => new Worker(new URL('./market.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The market could not be looked at.',
    waits: true,
  })

/** Looks for the cheapest way to run a whole plan elsewhere. */
export const mixAsker = () =>
  new WorkerAsker<MixQuestion, MixAnswer, MixStep>({
    begin: () => new Worker(new URL('./mix.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'Where else the plan could run was not found out.',
    listens: true,
  })

/** Prices all machines of a plan. */
export const planAsker = () =>
  new WorkerAsker<PlanPricingInputs, readonly MachineSummary[]>({
    begin: () => new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The plan could not be priced.',
    waits: true,
  })

/** Lets a month happen on a practice provider, and reads its bill. */
export const rehearsalAsker = () =>
  new WorkerAsker<RehearsalQuestion, RehearsedMonth>({
    begin: () => new Worker(new URL('./rehearsal.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The month could not be rehearsed.',
  })

/** Lets a month happen on a practice provider, to be looked at hour by hour. */
export const filmAsker = () =>
  new WorkerAsker<RehearsalQuestion, RehearsalFilm>({
    begin: () => new Worker(new URL('./film.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The month could not be rehearsed.',
  })

/** Rehearses a month many times; its steps are how many are done. */
export const spreadAsker = () =>
  new WorkerAsker<SpreadQuestion, RehearsalSpread, number>({
    begin: () => new Worker(new URL('./spread.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The month could not be rehearsed.',
  })

/** Reads a schedule file. */
export const scheduleAsker = () =>
  new WorkerAsker<{ readonly file: File }, Outcome<ScheduledWeek, FileIssue>>({
    begin: () => new Worker(new URL('./schedule.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'Reading the schedule failed. Nothing was changed.',
  })

/** Checks and seals what is stored, which opens quicker then; answers what passed. */
export const sealAsker = () =>
  new WorkerAsker<Record<string, never>, readonly string[]>({
    begin: () => new Worker(new URL('./seal.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'What is stored could not be checked.',
  })

/** Searches for the cheapest that fits. */
export const searchAsker = () =>
  new WorkerAsker<PlanSearch, SearchResults, SearchProgress>({
    begin: () => new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' }),
    failure: 'The search failed.',
  })
