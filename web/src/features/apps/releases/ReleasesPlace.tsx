import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import {
  api,
  type AppView,
  type Release,
  type Releases,
  type SampleLine,
  unwrap,
} from '@/api/client';
import { releasesQuery, samplesQuery } from '@/api/queries';
import { count, momentText } from '@/lib/format';
import { useStored } from '@/lib/useStored';
import { DeviationSheet } from '@/sheet/DeviationSheet';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import type { Edits } from '../bench/useEdits';
import { AppPlace } from './AppPlace';
import { Changes } from './Changes';
import { type Where, whereCalled } from './where';
import { WhereToCall } from './WhereToCall';

function Draft({ view, releases }: { view: AppView; releases: Releases }) {
  const queries = useQueryClient();
  const [note, setNote] = useState('');
  const [author, setAuthor] = useStored('author', '');
  const [where, setWhere] = useState(() => whereCalled(releases.called));
  /** The checks that were run when this version was to be released. */
  const [checked, setChecked] = useState<{ version: number; where: Where; lines: SampleLine[] }>();
  const failed =
    checked?.version === view.version && checked.where === where
      ? checked.lines.filter(({ verdict }) => verdict?.holds !== true)
      : [];
  const releasing = useMutation({
    mutationFn: async () => {
      const params = { path: { app: view.id } };
      // Whoever saw what fails and presses again wants it so.
      if (failed.length === 0) {
        const lines = await unwrap(
          api.POST('/api/apps/{app}/verdicts', { params, body: { environments: where } }),
        );
        setChecked({ version: view.version, where, lines });
        if (lines.some(({ verdict }) => verdict?.holds !== true)) return undefined;
      }
      return unwrap(
        api.POST('/api/apps/{app}/releases', {
          params,
          body: { version: view.version, note, author, environments: where },
        }),
      );
    },
    onSuccess: (all) => {
      void queries.invalidateQueries({ queryKey: samplesQuery.queryKey });
      if (!all) return;
      setNote('');
      setChecked(undefined);
      queries.setQueryData(releasesQuery(view.id, view.version).queryKey, all);
      void queries.invalidateQueries({ queryKey: ['open', view.id] });
      void queries.invalidateQueries({ queryKey: ['start'] });
    },
  });
  const last = releases.releases[0];
  const moved = releases.called.some(
    ({ service, environment }) => (where[service] ?? environment) !== environment,
  );
  const unchanged = releases.draft.length === 0 && last !== undefined;
  const same = unchanged && !moved;
  return (
    <Box component="section" aria-label="The draft" sx={{ mb: 4 }}>
      <Typography variant="h2" sx={{ mb: 0.75 }}>
        The draft
      </Typography>
      {unchanged && (
        <Typography sx={{ color: 'text.secondary' }}>
          Nothing differs from release {last.number}.
        </Typography>
      )}
      {!unchanged && last && (
        <>
          <Typography sx={{ color: 'text.secondary', mb: 1 }}>
            What differs from release {last.number}:
          </Typography>
          <Changes changes={releases.draft} />
        </>
      )}
      {!last && (
        <Typography sx={{ color: 'text.secondary' }}>
          Nothing was handed over yet: visitors cannot open this app before its first release.
        </Typography>
      )}
      {view.errors > 0 && (
        <Typography sx={{ color: 'error.main', mt: 1 }}>
          {count(view.errors, 'thing does', 'things do')} not work in it; the list “to mend” above
          leads there. It can be released all the same.
        </Typography>
      )}
      {checked && failed.length > 0 && <FailedChecks lines={failed} all={checked.lines.length} />}
      {(!same || releases.called.some(({ environments }) => environments.length > 0)) && (
        <Box
          component="form"
          onSubmit={(event: React.FormEvent) => {
            event.preventDefault();
            releasing.mutate();
          }}
          sx={{ display: 'flex', gap: 1.5, mt: 2, flexWrap: 'wrap', alignItems: 'center' }}
        >
          <WhereToCall called={releases.called} where={where} onChange={setWhere} />
          <TextField
            label="What is new, for those who use it"
            value={note}
            onChange={(event) => {
              setNote(event.target.value);
            }}
            sx={{ flex: 1, minWidth: 280 }}
          />
          <TextField
            label="Your name"
            value={author}
            onChange={(event) => {
              setAuthor(event.target.value);
            }}
            sx={{ width: 160 }}
          />
          <Button type="submit" variant="contained" disabled={same} loading={releasing.isPending}>
            Release {(last?.number ?? 0) + 1}
            {failed.length > 0 && ' all the same'}
          </Button>
        </Box>
      )}
      {releasing.error && <Problem error={releasing.error} />}
    </Box>
  );
}

/** What does not hold any more of what the draft calls. */
function FailedChecks({ lines, all }: { lines: SampleLine[]; all: number }) {
  return (
    <Box role="alert" sx={{ mt: 1.5, borderLeft: '4px solid', borderColor: 'error.main', pl: 1.5 }}>
      <Typography sx={{ fontWeight: 600 }}>
        {lines.length} of {count(all, 'check')} of what it calls {all === 1 ? 'does' : 'do'} not
        hold; nothing was released.
      </Typography>
      {lines.map(({ service, operation, operationName, name, verdict }) => (
        <Box key={`${service} ${operation} ${name}`} sx={{ mt: 0.75 }}>
          <strong>{name}</strong> of {operationName}
          {verdict && <DeviationSheet deviations={verdict.deviations} />}
        </Box>
      ))}
      <Button component={Link} to="/samples" sx={{ ml: -1 }}>
        Look at the checks
      </Button>
    </Box>
  );
}

function Line(props: {
  view: AppView;
  release: Release;
  current: boolean;
  busy: boolean;
  onShow: () => void;
}) {
  const { view, release, current } = props;
  const [open, setOpen] = useState(false);
  return (
    <Box
      component="li"
      aria-label={`Release ${release.number}`}
      sx={{
        borderTop: '1px solid',
        borderColor: 'divider',
        py: 1,
        pl: 1.25,
        borderLeft: '4px solid',
        borderLeftColor: current ? 'primary.main' : 'transparent',
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5, flexWrap: 'wrap' }}>
        <Box component="span" sx={{ fontFamily: 'monospace', fontWeight: 700, minWidth: 24 }}>
          {release.number}
        </Box>
        <Box sx={{ flex: 1, minWidth: 220 }}>
          {release.note || (
            <Box component="span" sx={{ color: 'text.secondary' }}>
              no note
            </Box>
          )}
          <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>
            {momentText(release.madeAt)}
            {release.author && `, ${release.author}`}
            {current && ' · what visitors see'}
            {release.called
              .filter(({ environment }) => environment)
              .map(({ service, name, environment }) => (
                <Box key={service} component="span">
                  {' '}
                  · {name} in <strong>{environment}</strong>
                </Box>
              ))}
          </Box>
        </Box>
        {release.changes.length > 0 && (
          <Button
            aria-expanded={open}
            onClick={() => {
              setOpen(!open);
            }}
          >
            {count(release.changes.length, 'difference')}
          </Button>
        )}
        <Button
          component={Link}
          to={current ? `/open/${view.id}` : `/release/${release.number}/${view.id}`}
          target="_blank"
        >
          Open
        </Button>
        <Button
          component="a"
          href={`/api/apps/${view.id}/file?release=${release.number}`}
          download={`${view.id}-${release.number}.app.json`}
        >
          Save as file
        </Button>
        {!current && (
          <Button variant="outlined" loading={props.busy} onClick={props.onShow}>
            Show this one to visitors
          </Button>
        )}
      </Box>
      {open && (
        <Box sx={{ mt: 1, pl: 5 }}>
          <Changes changes={release.changes} />
        </Box>
      )}
    </Box>
  );
}

function Place({ view }: { view: AppView; edits: Edits }) {
  const queries = useQueryClient();
  const query = releasesQuery(view.id, view.version);
  const { data, error, refetch } = useQuery(query);
  const showing = useMutation({
    mutationFn: (number: number) =>
      unwrap(
        api.PUT('/api/apps/{app}/releases/current', {
          params: { path: { app: view.id } },
          body: { number },
        }),
      ),
    onSuccess: (all) => {
      queries.setQueryData(query.queryKey, all);
      void queries.invalidateQueries({ queryKey: ['open', view.id] });
    },
  });
  return (
    <Box sx={{ p: 2.5, maxWidth: 900 }}>
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {!data && !error && <Waiting what="Comparing the draft with what was released" />}
      {data && (
        <>
          <Draft view={view} releases={data} />
          {showing.error && <Problem error={showing.error} />}
          {data.releases.length > 0 && (
            <Box component="section" aria-label="Releases">
              <Typography variant="h2" sx={{ mb: 0.75 }}>
                Released
              </Typography>
              <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
                {data.releases.map((release) => (
                  <Line
                    key={release.number}
                    view={view}
                    release={release}
                    current={release.number === data.current}
                    busy={showing.isPending && showing.variables === release.number}
                    onShow={() => {
                      showing.mutate(release.number);
                    }}
                  />
                ))}
              </Box>
            </Box>
          )}
          <Box component="section" aria-label="As a file" sx={{ mt: 4 }}>
            <Typography variant="h2" sx={{ mb: 0.75 }}>
              As a file
            </Typography>
            <Typography sx={{ color: 'text.secondary', mb: 1 }}>
              One open JSON file with the pages, the model and the start page; never a secret.
            </Typography>
            <Button
              component="a"
              variant="outlined"
              href={`/api/apps/${view.id}/file`}
              download={`${view.id}.app.json`}
            >
              Save the draft with its descriptions
            </Button>{' '}
            <Button
              component="a"
              href={`/api/apps/${view.id}/file?descriptions=false`}
              download={`${view.id}.app.json`}
            >
              without them
            </Button>
          </Box>
        </>
      )}
    </Box>
  );
}

/** Where an app is handed over: what is new, what visitors see, and all versions before. */
export function ReleasesPlace() {
  return (
    <AppPlace place="releases">{(view, edits) => <Place view={view} edits={edits} />}</AppPlace>
  );
}
