import { queryOptions } from '@tanstack/react-query';
import { api, type TableLoad, type TableOffer, toProblem, unwrap } from '@/api/client';

export const offersOfTables = queryOptions({
  queryKey: ['tables'],
  queryFn: () => unwrap(api.GET('/api/tables')),
});

export const offeredQuery = (offer: string) =>
  queryOptions({
    queryKey: ['tables', offer],
    queryFn: () => unwrap(api.GET('/api/tables/{offer}', { params: { path: { offer } } })),
  });

export const requestsQuery = (offer: string) =>
  queryOptions({
    queryKey: ['tables', offer, 'requests'],
    queryFn: () => unwrap(api.GET('/api/tables/{offer}/requests', { params: { path: { offer } } })),
  });

export const draftQuery = (draft: string) =>
  queryOptions({
    queryKey: ['tables', 'drafts', draft],
    queryFn: () => unwrap(api.GET('/api/tables/drafts/{draft}', { params: { path: { draft } } })),
    staleTime: Infinity,
  });

export const checkQuery = (draft: string, offer: TableOffer) =>
  queryOptions({
    queryKey: ['tables', 'drafts', draft, 'check', offer],
    queryFn: () =>
      unwrap(
        api.POST('/api/tables/drafts/{draft}/checks', {
          params: { path: { draft } },
          body: { offer },
        }),
      ),
    placeholderData: (before) => before,
  });

/** A load, asked after until it has ended. */
export const loadQuery = (load: string) =>
  queryOptions({
    queryKey: ['tables', 'loads', load],
    queryFn: () => unwrap(api.GET('/api/tables/loads/{load}', { params: { path: { load } } })),
    refetchInterval: ({ state }) => (state.data?.state === 'RUNNING' ? 400 : false),
    staleTime: 0,
  });

/** Sends a file as it is, however large. */
async function send(address: string, file: File): Promise<unknown> {
  let response: Response;
  try {
    response = await fetch(`${address}name=${encodeURIComponent(file.name)}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: file,
    });
  } catch {
    throw toProblem(0, undefined);
  }
  const body: unknown = await response.json().catch(() => undefined);
  if (!response.ok) throw toProblem(response.status, body);
  return body;
}

/** Lets a file be looked at; returns the id by which it is known. */
export async function look(file: File): Promise<string> {
  return ((await send('/api/tables/drafts?', file)) as { id: string }).id;
}

/** Begins to load a file whose rows are to come in place of those of an offer. */
export async function replaceRows(
  offer: string,
  file: File,
  { leaveOut, follow }: { leaveOut: boolean; follow: boolean },
) {
  return (await send(
    `/api/tables/${offer}/replacements?leaveOut=${String(leaveOut)}&follow=${String(follow)}&`,
    file,
  )) as TableLoad;
}
