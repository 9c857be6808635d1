import { useQuery } from '@tanstack/react-query';
import type { ExchangeLine } from '@/api/client';
import { appsQuery, servicesQuery } from '@/api/queries';
import type { paths } from '@/api/schema.gen';

/** What became of an exchange. */
export type Outcome = NonNullable<
  NonNullable<paths['/api/exchanges']['get']['parameters']['query']>['outcome']
>;

/** What is looked for in the log; an empty text is anything. */
export interface Wanted {
  find: string;
  service: string;
  operation: string;
  /** An app and one of its pages, as one word. */
  page: string;
  by: '' | 'builders' | 'visitors';
  outcome: '' | Outcome;
  /** A time in the zone of the browser. */
  from: string;
  before: string;
}

const BETWEEN = '/';

export const pageWord = (app: string, page: string) => app + BETWEEN + page;

/** The same as the server is asked for it. */
export function queryOf({ page, by, outcome, from, before, ...same }: Wanted) {
  const [app = '', of = ''] = page.split(BETWEEN);
  return {
    ...same,
    app,
    page: of,
    ...(outcome && { outcome }),
    ...(by && { visitor: by === 'visitors' }),
    ...(from && { from: new Date(from).toISOString() }),
    ...(before && { before: new Date(before).toISOString() }),
  };
}

/** What people call the services and pages of exchanges. */
export function useNames() {
  const services = useQuery(servicesQuery);
  const apps = useQuery(appsQuery);
  const pageOf = ({ app, page, visitor }: ExchangeLine) => {
    if (!app) return 'no page';
    const known = apps.data?.find((one) => one.id === app);
    const name = known?.pages.find((one) => one.id === page)?.name ?? page;
    return `${known?.name ?? app} / ${name}${visitor ? ', visitor' : ''}`;
  };
  return {
    service: (id: string) => services.data?.find((one) => one.id === id)?.name ?? id,
    page: pageOf,
  };
}
