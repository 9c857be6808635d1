import createClient from 'openapi-fetch';
import type { components, paths } from './schema.gen';

export const api = createClient<paths>({ baseUrl: '' });

type Schemas = components['schemas'];
export type Finding = Schemas['FindingView'];
export type AccessForm = Schemas['AccessForm'];
export type Intake = Schemas['IntakeView'];
export type IntakeEvent = Schemas['IntakeEvent'];
export type Catalogue = Schemas['CatalogueView'];
export type Progress = Schemas['ProgressView'];
export type CutRequest = Schemas['CutRequest'];
export type ServiceBrief = Schemas['ServiceBrief'];
export type Service = Schemas['ServiceView'];
export type OperationBrief = Schemas['OperationBrief'];
export type OperationColumns = Schemas['OperationColumns'];
export type Operation = Schemas['OperationView'];
export type FieldView = Schemas['FieldView'];
export type Sent = Schemas['SentView'];
export type Tried = Schemas['TryView'];
export type ExchangeView = Schemas['ExchangeView'];
export type AppView = Schemas['AppView'];
export type AppBrief = Schemas['AppBrief'];
export type AppEdit = Schemas['AppEdit'];
export type AppFinding = Schemas['AppFindingView'];
export type Bench = Schemas['BenchView'];
export type PageCall = Schemas['CallView'];
export type BenchItem = Schemas['ItemView'];
export type Source = Schemas['Source'];
export type SlotId = Schemas['SlotId'];
export type Offer = Schemas['OfferView'];
export type Pair = Schemas['PairView'];
export type Overrides = Schemas['Overrides'];
export type Format = Schemas['Format'];
export type FieldRef = Schemas['FieldRef'];
export type Look = Schemas['Look'];
export type Model = Schemas['ModelView'];
export type ModelType = Schemas['TypeView'];
export type ModelRow = Schemas['RowView'];
export type Rule = Schemas['Rule'];
export type ValueList = Schemas['ValueList'];
export type AskingView = Schemas['AskingView'];
export type Choice = Schemas['Choice'];
export type ChoiceOffer = Schemas['ChoiceOfferView'];
export type PageView = Schemas['PageView'];
export type PartView = Schemas['PartView'];
export type FormView = Schemas['FormView'];
export type LinesView = Schemas['LinesView'];
export type GroupView = Schemas['GroupView'];
export type InputView = Schemas['InputView'];
export type TableView = Schemas['TableView'];
export type RecordView = Schemas['RecordView'];
export type ButtonView = Schemas['ButtonView'];
export type TextView = Schemas['TextView'];
export type ColumnView = Schemas['ColumnView'];
export type CellView = Schemas['CellView'];
export type CardsView = Schemas['CardsView'];
export type ChartView = Schemas['ChartView'];
export type RowsView = Schemas['RowsView'];
export type LineView = Schemas['LineView'];
export type TotalView = Schemas['TotalView'];
export type FrameView = Schemas['FrameView'];
export type StateWords = Schemas['StateWords'];
export type Content = Schemas['RowsView']['content'];
export type Leads = NonNullable<Schemas['RunView']['leads']>;
export type Trigger = Schemas['Trigger'];
export type Action = Schemas['Action'];
export type Reaction = Schemas['ReactionView'];
export type ReactionStep = Schemas['StepView'];
export type SlotView = Schemas['SlotView'];
export type Run = Schemas['RunView'];
export type RunEvent = Schemas['RunEvent'];
export type RunAs = Schemas['RunRequest']['as'];
export type TraceEntry = Schemas['TraceEntry'];
export type TracedCall = Schemas['TracedCall'];
export type Origin = Schemas['OriginView'];
export type ShownAt = Schemas['ShownAtView'];
export type Simulation = NonNullable<Schemas['RunRequest']['simulation']>;
export type Folio = Schemas['Folio'];
export type FolioEntry = Schemas['Entry'];
export type OpenApp = Schemas['OpenView'];
export type Releases = Schemas['ReleasesView'];
export type Release = Schemas['ReleaseView'];
export type CalledService = Schemas['CalledService'];
export type Environments = Schemas['EnvironmentsView'];
export type Environment = Schemas['EnvironmentView'];
export type AppChange = Schemas['AppChange'];
export type Watch = Schemas['WatchView'];
export type Drift = Schemas['DriftView'];
export type DriftUser = Schemas['UserView'];
export type Codes = Schemas['CodesView'];
export type DriftSample = Schemas['SampleUserView'];
export type Difference = Schemas['DifferenceView'];
export type Samples = Schemas['SamplesView'];
export type SampledService = Schemas['SampledService'];
export type SampleLine = Schemas['SampleLine'];
export type SampleCheck = Schemas['CheckView'];
export type SampleVerdict = Schemas['VerdictView'];
export type SampleDeviation = Schemas['DeviationView'];
export type Health = Schemas['HealthView'];
export type OperationHealth = Schemas['OperationHealth'];
export type AppKeeping = Schemas['AppKeeping'];
export type Upkeep = Schemas['UpkeepView'];
export type UpkeepSettings = Schemas['UpkeepSettings'];
export type ExchangeLine = Schemas['ExchangeLine'];
export type TableDraft = Schemas['DraftView'];
export type TableOffer = Schemas['TableOffer'];
export type OfferedTable = Schemas['OfferedTable'];
export type OfferedColumn = OfferedTable['columns'][number];
export type WrongCell = Schemas['WrongView'];
export type TableLoad = Schemas['LoadView'];
export type Offered = Schemas['OfferedView'];
export type OfferedSettings = Schemas['OfferSettings'];
export type Import = Schemas['ImportView'];
export type Happening = Schemas['EventRequest']['event'];

/** Any JSON; what it holds is told by the fields of a shape. */
export type Json = unknown;
type JsonOnTheWire = Schemas['TryRequest']['parameters'];

/** JSON as the generated types want it; they cannot name an object of anything. */
export function wire(json: Json): JsonOnTheWire {
  return json as JsonOnTheWire;
}

/** What the server said when it could not do something. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly advice: string,
    readonly findings: Finding[],
  ) {
    super(message);
  }
}

const NO_SERVER = {
  title: 'The Mapsel server does not answer.',
  detail: 'Check that it is still running, then try again. Nothing you saved is lost.',
};

interface ProblemDetails {
  code?: string;
  title?: string;
  detail?: string;
  findings?: Finding[];
}

/** Problem details as an error; without any the server is taken to be gone. */
export function toProblem(status: number, body: unknown): ApiProblem {
  const details: ProblemDetails = typeof body === 'object' && body !== null ? body : NO_SERVER;
  return new ApiProblem(
    status,
    details.code ?? 'SERVER_UNREACHABLE',
    details.title ?? NO_SERVER.title,
    details.detail ?? NO_SERVER.detail,
    details.findings ?? [],
  );
}

const SIGN_IN = 'SERVER_SIGN_IN_NEEDED';

/** The data of an answer; anything but success is thrown as an ApiProblem. */
export async function unwrap<T>(
  request: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let result;
  try {
    result = await request;
  } catch {
    throw toProblem(0, undefined);
  }
  if (!result.response.ok) {
    const problem = toProblem(result.response.status, result.error);
    if (problem.code === SIGN_IN && window.location.pathname !== '/sign-in') {
      const { pathname, search } = window.location;
      window.location.assign(`/sign-in?to=${encodeURIComponent(pathname + search)}`);
    }
    throw problem;
  }
  return result.data as T;
}
