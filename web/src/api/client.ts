import createClient from 'openapi-fetch';
import createQueries from 'openapi-react-query';

import { answered, keep, mark } from './outbox';
import { savesSettled } from './pendingSaves';
import { reach } from './reach';
import { newWriteKey, WRITE_KEY } from './writeKey';
import type { components, paths } from './schema';

type Schemas = components['schemas'];
export type Spec = Schemas['SpecFile'];
export type PourEntry = Schemas['PourEntry'];
export type Unit = PourEntry['unit'];
export type Slot = PourEntry['slot'];
export type Comparison = Schemas['ComparedReport'];
export type Forecast = Schemas['ForecastReport'];
export type AxisReport = Schemas['AxisReport'];
export type Finding = Schemas['FindingReport'];
export type Course = Schemas['CourseReport'];
export type Why = Schemas['Why'];
export type Change = Schemas['Change'];
export type Supposed = NonNullable<paths['/api/predict']['post']['parameters']['query']>;
export type Family = Schemas['FamilyReport'];
export type School = Schemas['SchoolReport'];
export type Ingredient = Schemas['IngredientSummary'];
export type DrinkDetail = Schemas['DrinkDetail'];
export type DrinkSummary = Schemas['DrinkSummary'];
export type Trial = Schemas['TrialReport'];
export type Swaps = Schemas['SwapsReport'];
export type SwapRow = Schemas['SwapRowReport'];
export type Standing = Schemas['StandingReport'];
export type SwapsRequest = Schemas['SwapsRequest'];
export type RebalanceRequest = Schemas['AimRequest'];
export type Rebalanced = Schemas['RebalanceReport'];
export type Way = Schemas['WayReport'];
export type Move = Schemas['MoveReport'];
export type Step = Schemas['StepReport'];
export type OwnStep = Schemas['StepEntry'];
export type Garnish = Schemas['GarnishEntry'];
export type Glass = Schemas['GlassReport'];
export type Appearance = Schemas['AppearanceReport'];
export type Serve = Schemas['ServeReport'];
export type Span = Schemas['SpanReport'];
export type Amount = Schemas['AmountReport'];
export type NewPour = Schemas['NewPour'];
export type Rules = Schemas['RulesReport'];
export type ReadRecipe = Schemas['ReadReport'];
export type ReadLine = Schemas['LineReport'];
export type Mended = Schemas['MendedEntry'];
export type FoundIngredient = Schemas['FoundIngredient'];
export type OpenFormat = Schemas['WriteRequest']['wanted'];
export type Carried = Schemas['Item'];
export type CarryChoice = Carried['choices'][number];
export type CardRequest = Schemas['CardRequest'];
export type ListRequest = Schemas['ListRequest'];
/** What is looked for in the book, besides words. */
export type Sought = NonNullable<paths['/api/book']['get']['parameters']['query']>;
export type StepsRequest = Schemas['StepsRequest'];
export type Label = Schemas['LabelEntry'];
export type Notebook = Schemas['NotebookReport'];
export type NotebookTrial = Schemas['NotebookTrial'];
export type Brief = Schemas['BriefEntry'];
export type Sheet = Schemas['SheetReport'];
export type SheetEntry = Schemas['SheetEntry'];
export type SideBySide = Schemas['SideBySideReport'];
export type Proposal = Schemas['ProposalReport'];
export type Reading = Schemas['BesideReport'];
export type ReadingEntry = Schemas['DeviceReadingEntry'];
export type SpecCloud = Schemas['SpecCloudReport'];
export type Tree = Schemas['TreeReport'];
export type TreeNode = Schemas['NodeReport'];
export type Palate = Schemas['PalateReport'];
export type Sharing = Schemas['SharingReport'];
export type Made = Schemas['MadeEntry'];
export type Today = Schemas['TodayReport'];
export type DrinkToday = Schemas['DrinkToday'];
export type Lot = Schemas['LotReport'];
export type LotDetail = Schemas['LotDetail'];
export type LotReadingEntry = Schemas['LotReadingEntry'];
export type Preparation = Schemas['PreparationFile'];
export type PreparationLine = Preparation['lines'][number];
export type PreparationStep = Schemas['KitchenStepEntry'];
export type PreparationSummary = Schemas['PreparationSummary'];
export type PreparationAnswer = Schemas['PreparationAnswer'];
export type Making = Schemas['MadeReport'];
export type LarderLine = Schemas['LarderLine'];
export type LarderDetail = Schemas['LarderDetail'];
export type Mark = NotebookTrial['mark'];
export type Wish = Schemas['WishEntry'];
export type Handful = Schemas['HandfulReport'];
export type Original = Schemas['OriginalReport'];
export type MenuRequest = Schemas['MenuEntry'];
export type Kinship = Schemas['KinshipReport'];
export type KinPair = Schemas['PairReport'];
export type Tongue = Schemas['TongueReport'];
export type Threshold = Schemas['ThresholdReport'];
export type Matter = Threshold['matter'];
export type Sitting = Schemas['SittingReport'];
export type SittingEntry = Schemas['SittingEntry'];
export type Triangle = Schemas['TriangleReport'];
export type Exercise = Schemas['ExerciseReport'];
export type ExerciseKind = Exercise['kind'];
export type Solved = Schemas['SolvedReport'];
export type BatchEntry = Schemas['BatchEntry'];
export type Batch = Schemas['BatchReport'];
export type PouredTrial = Schemas['PouredTrial'];
export type Service = BatchEntry['service'];
export type KeptBatch = Schemas['KeptBatchReport'];
export type KeptBatchSummary = Schemas['KeptBatchSummary'];
export type Corrections = Schemas['CorrectionsReport'];
export type Correction = Schemas['CorrectionReport'];
export type BottleLabel = Schemas['LabelReport'];
export type Evening = Schemas['EveningReport'];
export type EveningEntry = Schemas['EveningEntry'];
export type EveningTask = Schemas['TaskReport'];
export type Bought = Schemas['BoughtReport'];
export type Unreadable = Schemas['UnreadableReport'];
export type EveningChange = Schemas['EveningChange'];
export type ShelfState = Schemas['ShelfStateEntry']['state'];

/** A refusal, ours or the network's: its sentence, its stable code, and the place in the request. */
export interface Fault {
  detail: string;
  code?: string;
  path?: string;
}

/** The same as it is thrown. */
export class ProblemError extends Error implements Fault {
  constructor(
    readonly detail: string,
    readonly code: string,
    readonly path = '',
  ) {
    super(detail);
  }
}

/** The sentence of an answer that refuses. */
export async function problemOf(answer: Response): Promise<ProblemError> {
  const problem = (await answer.json().catch(() => ({}))) as Partial<Fault>;
  return new ProblemError(
    problem.detail ?? 'The server’s answer can’t be read.',
    problem.code ?? 'unreadable',
    problem.path,
  );
}

/** What a forecast supposes of today's ice: a route that takes it has to be told, be it that nothing is unusual. */
type WithIce<Operation> = Operation extends { parameters: { query?: { ice_c?: number } } }
  ? Operation extends { parameters: { query?: never } }
    ? Operation
    : Omit<Operation, 'parameters'> & { parameters: Omit<Operation['parameters'], 'query'> & { query: Supposed } }
  : Operation;
type Routes = { [Path in keyof paths]: { [Method in keyof paths[Path]]: WithIce<paths[Path][Method]> } };

/** What a window writes was changed elsewhere since it was read. */
export const CHANGED_ELSEWHERE = 'changed-elsewhere';

/** Codes of what is no answer to what was asked. */
export const UNREACHABLE = 'unreachable';
const NOT_LET_IN = 'not-paired';

/**
 * Asks the server. What it doesn't answer is asked again, what writes with the same key as before, until it does or nobody waits any more;
 * only what is read is told at once that there is no answer, for there is something to show without it. What writes is kept in the browser
 * meanwhile, for a window that is closed before the server is back.
 */
async function asked(request: Request): Promise<Response> {
  for (let attempt = 0; ; attempt += 1) {
    try {
      const answer = await globalThis.fetch(request.method === 'GET' ? request : request.clone());
      reach.found();
      answered(request);
      return answer;
    } catch (fault) {
      if (request.signal.aborted) throw fault;
      reach.lost();
      if (request.method === 'GET') throw new ProblemError('the server doesn’t answer', UNREACHABLE);
      if (attempt === 0) await keep(request);
      await reach.beforeAgain(attempt, request.signal);
    }
  }
}

export const client = createClient<Routes>({ baseUrl: globalThis.location.origin, fetch: asked });
client.use({
  onRequest: async ({ request, schemaPath }) => {
    // Who reads the book or a drink waits for saves that are under way, or would read what was before.
    if (request.method === 'GET' && schemaPath.startsWith('/api/drinks')) await savesSettled();
    if (request.method !== 'GET') {
      if (!request.headers.has(WRITE_KEY)) request.headers.set(WRITE_KEY, newWriteKey());
      mark(request, schemaPath);
    }
  },
  onResponse: async ({ response }) => {
    if (response.ok) return;
    const problem = await problemOf(response);
    // A device that was forgotten is shown the door.
    if (problem.code === NOT_LET_IN) globalThis.location.reload();
    throw problem;
  },
});

/** Queries and mutations by route: their keys have one shape, [method, path, what was asked]. */
export const api = createQueries(client);

/** The answer's data: whatever refuses was thrown already. */
export function unwrap<T>(answer: { data?: T }): T {
  if (answer.data === undefined) throw new ProblemError('The server’s answer can’t be read.', 'unreadable');
  return answer.data;
}
