import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { OperationHealth } from '@/api/client';
import { healthQuery } from '@/api/queries';
import { count, millis } from '@/lib/format';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';

const HourChart = lazy(() =>
  import('./HourChart').then(({ HourChart: component }) => ({ default: component })),
);

const FIRST = 6;

const CELL = {
  borderTop: '1px solid',
  borderColor: 'line',
  py: 0.5,
  pr: 2,
  textAlign: 'left',
  verticalAlign: 'top',
  '&.number': { textAlign: 'right', fontVariantNumeric: 'tabular-nums', whiteSpace: 'nowrap' },
};

const time = (at: string) =>
  new Intl.DateTimeFormat(undefined, { timeStyle: 'short', dateStyle: 'short' }).format(
    new Date(at),
  );

function why({ status, words }: NonNullable<OperationHealth['lastFailure']>) {
  return words ?? `It answered with status ${String(status)}.`;
}

function Line({ one, service }: { one: OperationHealth; service: string }) {
  const { lastFailure } = one;
  return (
    <tr>
      <td>
        {service}{' '}
        <Link
          to={`/services/${one.service}/operations/${encodeURIComponent(one.operation)}`}
          style={{ color: 'inherit' }}
        >
          {one.operation}
        </Link>
      </td>
      <td className="number">{one.calls.toLocaleString('en')}</td>
      <Box
        component="td"
        className="number"
        sx={one.failed > 0 ? { color: 'error.main', fontWeight: 700 } : {}}
      >
        {one.failed.toLocaleString('en')}
      </Box>
      <td className="number">{millis(one.medianMillis)}</td>
      <td className="number">{millis(one.slowestMillis)}</td>
      <td>
        {lastFailure && (
          <>
            {time(lastFailure.at)}: {why(lastFailure)}
          </>
        )}
      </td>
      <td>
        {one.pages.map(({ app, appName, page, pageName }, index) => (
          <span key={`${app} ${page}`}>
            {index > 0 && ', '}
            <Link to={`/apps/${app}/pages/${page}`} title={appName} style={{ color: 'inherit' }}>
              {pageName}
            </Link>
          </span>
        ))}
      </td>
    </tr>
  );
}

/** How the services did in the last day: what failed and why, what took long, whom it concerns. */
export function HealthSection({ nameOf }: { nameOf: (service: string) => string }) {
  const { data, error, refetch } = useQuery(healthQuery);
  const [all, setAll] = useState(false);
  if (error) return <Problem error={error} onRetry={() => void refetch()} />;
  if (!data) return <Waiting what="Counting what was called" />;
  const calls = data.operations.reduce((sum, one) => sum + one.calls, 0);
  const failed = data.operations.reduce((sum, one) => sum + one.failed, 0);
  if (calls === 0) return null;
  return (
    <Box component="section" aria-label="The last day" sx={{ mb: 3 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        The last day
      </Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        {count(calls, 'call')}, {failed === 0 ? 'none failed' : `${String(failed)} failed`}
      </Typography>
      <Suspense fallback={<Box sx={{ height: 150 }} />}>
        <HourChart health={data} />
      </Suspense>
      <Box sx={{ overflowX: 'auto' }}>
        <Box
          component="table"
          aria-label="How operations did"
          sx={{ borderCollapse: 'collapse', width: '100%', fontSize: 13, '& td, & th': CELL }}
        >
          <thead>
            <tr>
              <th scope="col">Operation</th>
              <th scope="col" className="number">
                Calls
              </th>
              <th scope="col" className="number">
                Failed
              </th>
              <th scope="col" className="number">
                Usually
              </th>
              <th scope="col" className="number">
                Slowest
              </th>
              <th scope="col">Last failure</th>
              <th scope="col">Used on</th>
            </tr>
          </thead>
          <tbody>
            {data.operations.slice(0, all ? undefined : FIRST).map((one) => (
              <Line
                key={`${one.service} ${one.operation}`}
                one={one}
                service={nameOf(one.service)}
              />
            ))}
          </tbody>
        </Box>
      </Box>
      {data.operations.length > FIRST && (
        <Button
          onClick={() => {
            setAll(!all);
          }}
          sx={{ ml: -1 }}
        >
          {all ? 'Only the first' : `All ${String(data.operations.length)} operations`}
        </Button>
      )}
    </Box>
  );
}
