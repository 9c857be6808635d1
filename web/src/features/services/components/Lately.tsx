import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQueries, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { AppBrief, OperationHealth } from '@/api/client';
import { appQuery, appsQuery, healthQuery, samplesQuery, servicesQuery } from '@/api/queries';
import { count, momentText } from '@/lib/format';
import { Miniature } from '@/parts/Miniature';

const APPS = 3;
const FAILING = 3;
const WIDTH = 230;
const HEIGHT = 130;

const link = { color: 'inherit', fontWeight: 600 };

/** The apps that were changed last, the newest first. */
const newest = (apps: AppBrief[]) =>
  apps
    .toSorted((one, other) => (other.changedAt ?? '').localeCompare(one.changedAt ?? ''))
    .slice(0, APPS);

function AppPicture({ app }: { app: AppBrief }) {
  const [first] = app.pages;
  return (
    <Box component="li" sx={{ width: WIDTH }}>
      {first && <Miniature app={app.id} page={first.id} width={WIDTH} height={HEIGHT} />}
      <Box sx={{ mt: 0.75 }}>
        <Link to={first ? `/apps/${app.id}/pages/${first.id}` : '/apps'} style={link}>
          {app.name}
        </Link>
      </Box>
      <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>
        {app.changedAt && momentText(app.changedAt)}
        {app.release ? ` · release ${String(app.release)}` : ' · not released yet'}
      </Box>
    </Box>
  );
}

function Failing({ one, service }: { one: OperationHealth; service: string }) {
  return (
    <li>
      <Link to="/samples/log" style={link}>
        {service} {one.operation}
      </Link>{' '}
      failed {one.failed} of {count(one.calls, 'time')} in the last day.
    </li>
  );
}

/** What was worked on last, and what needs looking at; nothing in a workspace without apps. */
export function Lately() {
  const apps = newest(useQuery(appsQuery).data ?? []);
  const services = useQuery(servicesQuery).data ?? [];
  const health = useQuery(healthQuery).data;
  const views = useQueries({ queries: apps.map(({ id }) => appQuery(id)) });
  const differing = (useQuery(samplesQuery).data?.samples ?? []).filter(
    ({ check, verdict }) => check && verdict && !verdict.holds,
  );
  if (apps.length === 0) return null;
  const broken = views.flatMap(({ data }) => (data && data.errors > 0 ? [data] : []));
  const outdated = views.flatMap(({ data }) =>
    (data?.services ?? []).filter(({ newest }) => !newest).map((pin) => ({ app: data, pin })),
  );
  const allFailing = (health?.operations ?? []).filter(({ failed }) => failed > 0);
  const failing = allFailing.slice(0, FAILING);
  const others = allFailing.length - failing.length;
  const nameOf = (id: string) => services.find((one) => one.id === id)?.name ?? id;
  return (
    <>
      {broken.length + outdated.length + differing.length + failing.length > 0 && (
        <Box component="section" aria-label="What needs looking at" sx={{ mt: 3 }}>
          <Typography variant="h2" sx={{ mb: 0.5 }}>
            What needs looking at
          </Typography>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {broken.map((view) => (
              <li key={view.id}>
                <Link to={`/apps/${view.id}/pages/${view.pages[0]?.id ?? ''}`} style={link}>
                  {view.name}
                </Link>{' '}
                has {count(view.errors, 'thing')} that {view.errors === 1 ? 'does' : 'do'} not work.
              </li>
            ))}
            {outdated.map(({ app, pin }) => (
              <li key={`${app?.id ?? ''} ${pin.service}`}>
                <Link to={`/services/${pin.service}/editions`} style={link}>
                  {pin.name}
                </Link>{' '}
                has changed; {app?.name} uses an older edition.
              </li>
            ))}
            {differing.map((one) => (
              <li key={`${one.service} ${one.operation} ${one.name}`}>
                <Link to="/samples" style={link}>
                  {one.name}
                </Link>{' '}
                does not hold any more: {nameOf(one.service)} {one.operationName} answers otherwise
                than it did.
              </li>
            ))}
            {failing.map((one) => (
              <Failing
                key={`${one.service} ${one.operation}`}
                one={one}
                service={nameOf(one.service)}
              />
            ))}
            {others > 0 && (
              <li>
                <Link to="/samples/log" style={link}>
                  {count(others, 'more operation')}
                </Link>{' '}
                failed in the last day.
              </li>
            )}
          </Box>
        </Box>
      )}
      <Box component="section" aria-label="Worked on last" sx={{ mt: 3 }}>
        <Typography variant="h2" sx={{ mb: 1 }}>
          Worked on last
        </Typography>
        <Box
          component="ul"
          sx={{ listStyle: 'none', m: 0, p: 0, display: 'flex', gap: 3, flexWrap: 'wrap' }}
        >
          {apps.map((app) => (
            <AppPicture key={app.id} app={app} />
          ))}
        </Box>
      </Box>
    </>
  );
}
