import { queryOptions } from '@tanstack/react-query';
import { gathering } from '@/lib/gather';
import {
  type AppEdit,
  api,
  type CutRequest,
  type FieldRef,
  type OperationColumns,
  type Rule,
  type SlotId,
  unwrap,
} from './client';

/** What the server keeps, one entry a resource; used by pages, and named when something changes. */
/** Whether builders have to sign in, and whether somebody has. */
export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: () => unwrap(api.GET('/api/session')),
  staleTime: Infinity,
});

export const servicesQuery = queryOptions({
  queryKey: ['services'],
  queryFn: () => unwrap(api.GET('/api/services')),
});

export const serviceQuery = (service: string) =>
  queryOptions({
    queryKey: ['services', service],
    queryFn: () => unwrap(api.GET('/api/services/{service}', { params: { path: { service } } })),
  });

/** For each edition what asks for the columns of its operations, many at once. */
const columnsOf = new Map<string, (operation: string) => Promise<OperationColumns>>();

function askColumns(edition: string) {
  return gathering(async (operations) => {
    const columns = await unwrap(
      api.POST('/api/editions/{edition}/columns', {
        params: { path: { edition } },
        body: { operations },
      }),
    );
    return new Map(columns.map((one) => [one.id, one]));
  });
}

/** What a table says of an operation beside its name. */
export const columnsQuery = (edition: string, operation: string) =>
  queryOptions({
    queryKey: ['columns', edition, operation],
    queryFn: () => {
      const ask = columnsOf.get(edition) ?? askColumns(edition);
      columnsOf.set(edition, ask);
      return ask(operation);
    },
    // An edition never changes.
    staleTime: Infinity,
  });

export const upkeepQuery = queryOptions({
  queryKey: ['upkeep'],
  queryFn: () => unwrap(api.GET('/api/upkeep')),
  staleTime: 0,
});

export const watchesQuery = queryOptions({
  queryKey: ['watches'],
  queryFn: () => unwrap(api.GET('/api/watches')),
  staleTime: 30_000,
});

export const accessQuery = (service: string, endpoint: string, environment: string) =>
  queryOptions({
    queryKey: ['services', service, 'access', endpoint, environment],
    queryFn: () =>
      unwrap(
        api.GET('/api/services/{service}/endpoints/{endpoint}/access', {
          params: { path: { service, endpoint }, query: { environment } },
        }),
      ),
  });

export const environmentsQuery = (service: string) =>
  queryOptions({
    queryKey: ['services', service, 'environments'],
    queryFn: () =>
      unwrap(api.GET('/api/services/{service}/environments', { params: { path: { service } } })),
  });

export const operationQuery = (service: string, operation: string) =>
  queryOptions({
    queryKey: ['services', service, operation],
    queryFn: () =>
      unwrap(
        api.GET('/api/services/{service}/operations/{operation}', {
          params: { path: { service, operation } },
        }),
      ),
  });

export const appsQuery = queryOptions({
  queryKey: ['apps'],
  queryFn: () => unwrap(api.GET('/api/apps')),
});

export const appQuery = (app: string) =>
  queryOptions({
    queryKey: ['apps', app],
    queryFn: () => unwrap(api.GET('/api/apps/{app}', { params: { path: { app } } })),
  });

/** A page on the bench; all of them are asked for anew when a sample changes. */
export const benchQuery = (app: string, page: string, version: number) =>
  queryOptions({
    queryKey: ['bench', app, page, version],
    queryFn: () =>
      unwrap(api.GET('/api/apps/{app}/pages/{page}/bench', { params: { path: { app, page } } })),
    placeholderData: (before) => before,
  });

/** The field sheet of a call of a page, in the edition that the app is pinned to. */
export const sheetQuery = (app: string, page: string, call: string, version: number) =>
  queryOptions({
    queryKey: ['bench', app, page, 'call', call, version],
    queryFn: () =>
      unwrap(
        api.GET('/api/apps/{app}/pages/{page}/calls/{call}', {
          params: { path: { app, page, call } },
        }),
      ),
    placeholderData: (before) => before,
  });

export const offersQuery = (app: string, page: string, slot: SlotId, find: string) =>
  queryOptions({
    queryKey: ['bench', app, page, 'offers', slot, find],
    queryFn: () =>
      unwrap(
        api.POST('/api/apps/{app}/pages/{page}/offers', {
          params: { path: { app, page } },
          body: { slot, find },
        }),
      ),
    placeholderData: (before) => before,
  });

/** Operations that return what an input asks for. */
export const choicesQuery = (app: string, page: string, input: string) =>
  queryOptions({
    queryKey: ['bench', app, page, 'choices', input],
    queryFn: () =>
      unwrap(
        api.GET('/api/apps/{app}/pages/{page}/inputs/{input}/choices', {
          params: { path: { app, page, input } },
        }),
      ),
  });

/** What belongs to the parameters of a call, or into the inputs of a form. */
export const pairsQuery = (app: string, page: string, of: { call: string } | { form: string }) =>
  queryOptions({
    queryKey: ['bench', app, page, 'pairs', of],
    queryFn: () =>
      unwrap(
        'call' in of
          ? api.GET('/api/apps/{app}/pages/{page}/calls/{call}/pairs', {
              params: { path: { app, page, call: of.call } },
            })
          : api.GET('/api/apps/{app}/pages/{page}/forms/{part}/pairs', {
              params: { path: { app, page, part: of.form } },
            }),
      ),
    staleTime: 0,
  });

export const formulaQuery = (app: string, page: string, slot: SlotId, text: string) =>
  queryOptions({
    queryKey: ['bench', app, page, 'formula', slot, text],
    queryFn: () =>
      unwrap(
        api.POST('/api/apps/{app}/pages/{page}/formulas', {
          params: { path: { app, page } },
          body: { slot, text },
        }),
      ),
    placeholderData: (before) => before,
  });

export const findingsQuery = (app: string, version: number) =>
  queryOptions({
    queryKey: ['bench', app, 'findings', version],
    queryFn: () => unwrap(api.GET('/api/apps/{app}/findings', { params: { path: { app } } })),
    placeholderData: (before) => before,
  });

export const modelQuery = (app: string, version: number) =>
  queryOptions({
    queryKey: ['bench', app, 'model', version],
    queryFn: () => unwrap(api.GET('/api/apps/{app}/model', { params: { path: { app } } })),
    placeholderData: (before) => before,
  });

export const typeQuery = (app: string, type: string, version: number) =>
  queryOptions({
    queryKey: ['bench', app, 'model', type, version],
    queryFn: () =>
      unwrap(
        api.GET('/api/apps/{app}/model/types/{type}', { params: { path: { app, type } } }),
      ),
    placeholderData: (before) => before,
  });

/** A record as rules see it, with some of the samples. */
export const recordQuery = (app: string, shape: FieldRef['owner']) =>
  queryOptions({
    queryKey: ['bench', app, 'record', shape],
    queryFn: () =>
      unwrap(api.POST('/api/apps/{app}/records', { params: { path: { app } }, body: shape })),
  });

/** What a rule makes of the samples, as it is written. */
export const derivedQuery = (app: string, shape: FieldRef['owner'], rule: Rule) =>
  queryOptions({
    queryKey: ['bench', app, 'derived', shape, rule],
    queryFn: () =>
      unwrap(
        api.POST('/api/apps/{app}/derived', { params: { path: { app } }, body: { shape, rule } }),
      ),
    placeholderData: (before) => before,
  });

/** What a pattern cuts out of a text; asked again only for another text or pattern. */
export const cutsQuery = (body: CutRequest) =>
  queryOptions({
    queryKey: ['cuts', body],
    queryFn: () => unwrap(api.POST('/api/cuts', { body })),
    placeholderData: (before) => before,
    retry: false,
  });

export const startQuery = queryOptions({
  queryKey: ['start'],
  queryFn: () => unwrap(api.GET('/api/start')),
});

export const releasesQuery = (app: string, version: number) =>
  queryOptions({
    queryKey: ['apps', app, 'releases', version],
    queryFn: () =>
      unwrap(api.GET('/api/apps/{app}/releases', { params: { path: { app } } })),
  });

/** An app as an address opens it. */
export const openQuery = (version: {
  app: string;
  as: 'VISITOR' | 'REVIEWER';
  release: number | undefined;
}) => {
  const { app, as, release } = version;
  return queryOptions({
    queryKey: ['open', app, as, release],
    queryFn: () => {
      if (as === 'REVIEWER') {
        return unwrap(api.GET('/api/open/{app}/draft', { params: { path: { app } } }));
      }
      return release === undefined
        ? unwrap(api.GET('/api/open/{app}', { params: { path: { app } } }))
        : unwrap(
            api.GET('/api/open/{app}/releases/{number}', {
              params: { path: { app, number: release } },
            }),
          );
    },
  });
};

export const figureQuery = (app: string, page: string, part: string, draft: boolean) =>
  queryOptions({
    queryKey: ['figure', app, page, part, draft],
    queryFn: () =>
      unwrap(
        api.GET('/api/open/{app}/pages/{page}/parts/{part}/figure', {
          params: { path: { app, page, part }, query: { draft } },
        }),
      ),
    refetchInterval: 60_000,
  });

export const editionsQuery = (service: string) =>
  queryOptions({
    queryKey: ['services', service, 'editions'],
    queryFn: () =>
      unwrap(api.GET('/api/services/{service}/editions', { params: { path: { service } } })),
  });

export const driftKey = (service: string) => ['services', service, 'drift'];

export const driftQuery = (service: string, to: string | null) =>
  queryOptions({
    queryKey: [...driftKey(service), to],
    queryFn: () =>
      unwrap(
        api.GET('/api/services/{service}/drift', {
          params: { path: { service }, query: to === null ? {} : { to } },
        }),
      ),
  });

export const moveQuery = (app: string, service: string, edition: string) =>
  queryOptions({
    queryKey: ['apps', app, 'moves', service, edition],
    queryFn: () =>
      unwrap(
        api.GET('/api/apps/{app}/moves', {
          params: { path: { app }, query: { service, edition } },
        }),
      ),
  });

/** A page as it would be after edits, which change nothing. */
export const previewQuery = (app: string, page: string, edits: AppEdit[]) =>
  queryOptions({
    queryKey: ['apps', app, 'previews', page, edits],
    queryFn: () =>
      unwrap(
        api.POST('/api/apps/{app}/previews', {
          params: { path: { app } },
          body: { page, edits },
        }),
      ),
  });

export const healthQuery = queryOptions({
  queryKey: ['health'],
  queryFn: () => unwrap(api.GET('/api/health')),
  staleTime: 0,
});

export const samplesQuery = queryOptions({
  queryKey: ['samples'],
  queryFn: () => unwrap(api.GET('/api/samples')),
});
