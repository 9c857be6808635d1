import {
  type AccessForm,
  api,
  type Catalogue,
  type Intake,
  type IntakeEvent,
  type Progress,
  toProblem,
  unwrap,
} from '@/api/client';
import { type Bytes, linesOf } from '@/lib/lines';

/** What somebody put into the intake box. */
export interface Given {
  source: string;
  files: File[];
  access?: AccessForm;
  /** Which of several files to read, by its address in the list of them. */
  entry?: string;
  /** The names of values in a sample that look secret, but are none. */
  plain?: string[];
}

/** What it turned out to be. */
export type Found =
  { description: Intake; catalogue?: never } | { catalogue: Catalogue; description?: never };

/** Follows an intake to its end. */
export async function follow(
  stream: Bytes | null,
  onProgress: (progress: Progress) => void,
): Promise<Found> {
  if (!stream) throw toProblem(0, undefined);
  for await (const line of linesOf(stream)) {
    const event = JSON.parse(line) as IntakeEvent;
    if (event.progress) onProgress(event.progress);
    if (event.problem) throw toProblem(event.problem.status, event.problem);
    if (event.description) return { description: event.description };
    if (event.catalogue) return { catalogue: event.catalogue };
  }
  throw toProblem(0, undefined);
}

/** Reads what was given; nothing is taken by that. */
export async function readIntake(
  given: Given,
  signal: AbortSignal,
  onProgress: (progress: Progress) => void,
): Promise<Found> {
  const { source, access, files, entry, plain = [] } = given;
  if (files.length === 0) {
    const body = { source, plain, ...(access && { access }) };
    return follow(
      await unwrap(api.POST('/api/intakes', { body, signal, parseAs: 'stream' })),
      onProgress,
    );
  }
  const form = new FormData();
  files.forEach((file) => {
    form.append('files', file, file.webkitRelativePath || file.name);
  });
  return follow(
    await unwrap(
      api.POST('/api/intakes/files', {
        params: { query: { plain, ...(entry !== undefined && { entry }) } },
        // The generated types know files only as text; the form itself goes out as it is.
        body: { files: [] },
        bodySerializer: () => form,
        signal,
        parseAs: 'stream',
      }),
    ),
    onProgress,
  );
}

/** The protocols that services speak beside others, the one to be preferred first. */
const PREFERRED = ['SOAP 1.2', 'SOAP 1.1'];

/** The endpoint most people want: the first of the best protocol, otherwise the first of all. */
export function usualEndpoint<T extends { protocol: string }>(endpoints: readonly T[]) {
  for (const protocol of PREFERRED) {
    const found = endpoints.find((one) => one.protocol === protocol);
    if (found) return found;
  }
  return endpoints[0];
}
