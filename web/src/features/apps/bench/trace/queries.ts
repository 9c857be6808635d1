import { queryOptions } from '@tanstack/react-query';
import { api, unwrap } from '@/api/client';

/** Where something on a page comes from; asked anew after each event. */
export const originQuery = (run: string, turn: number, owner: string, row: number | undefined) =>
  queryOptions({
    queryKey: ['origin', run, turn, owner, row],
    queryFn: () =>
      unwrap(
        api.GET('/api/runs/{run}/origins/{owner}', {
          params: { path: { run, owner }, query: row === undefined ? {} : { row } },
        }),
      ),
    staleTime: Infinity,
    retry: false,
  });

/** Where on a page something of an answer is seen. */
export const seenQuery = (run: string, turn: number, exchange: string, at: number) =>
  queryOptions({
    queryKey: ['seen', run, turn, exchange, at],
    queryFn: () =>
      unwrap(
        api.GET('/api/runs/{run}/exchanges/{exchange}/shown', {
          params: { path: { run, exchange }, query: { at } },
        }),
      ),
    staleTime: Infinity,
    retry: false,
  });
