import { queryOptions } from '@tanstack/react-query';
import { api, unwrap } from '@/api/client';

/** An exchange never changes, so it is asked for once. */
export const exchangeQuery = (id: string) =>
  queryOptions({
    queryKey: ['exchange', id],
    queryFn: () => unwrap(api.GET('/api/exchanges/{id}', { params: { path: { id } } })),
    staleTime: Infinity,
  });
