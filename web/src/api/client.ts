import createClient from 'openapi-fetch';

import type { components, paths } from './schema';

type Schemas = components['schemas'];
export type Spec = Schemas['SpecFile'];
export type PourEntry = Schemas['PourEntry'];
export type Unit = PourEntry['unit'];
export type Slot = PourEntry['slot'];
export type Comparison = Schemas['ComparisonReport'];
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
export type Move = Schemas['MoveReport'];
export type Step = Schemas['StepReport'];
export type Glass = Schemas['GlassReport'];
export type Appearance = Schemas['AppearanceReport'];
export type Serve = Schemas['ServeReport'];
export type Span = Schemas['SpanReport'];
export type Amount = Schemas['AmountReport'];
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
export type ReadingEntry = Schemas['ReadingEntry'];
export type Device = Schemas['DeviceReport'];
export type SpecCloud = Schemas['SpecCloudReport'];
export type Tree = Schemas['TreeReport'];
export type TreeNode = Schemas['NodeReport'];
export type Palate = Schemas['PalateReport'];
export type Made = Schemas['MadeEntry'];
export type Mark = NotebookTrial['mark'];
export type PartEntry = Schemas['PartEntry'];
export type ShelfState = Schemas['ShelfEntry']['state'];

export const client = createClient<paths>({
  baseUrl: globalThis.location.origin,
  fetch: (request) => globalThis.fetch(request),
});

/** A refusal of the server: its sentence, its stable code, and the place in the request. */
export class ProblemError extends Error {
  constructor(
    message: string,
    readonly code: string,
    readonly path: string,
  ) {
    super(message);
  }
}

interface Answer<T> {
  data?: T;
  error?: unknown;
}

/** The answer's data, or a ProblemError with the server's sentence. */
export function unwrap<T>(answer: Answer<T>): T {
  if (answer.data !== undefined) return answer.data;
  const problem = (answer.error ?? {}) as { detail?: string; code?: string; path?: string };
  throw new ProblemError(
    problem.detail ?? 'The server gave no answer that can be read.',
    problem.code ?? 'unreadable',
    problem.path ?? '',
  );
}
