import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, type AppEdit, type DriftUser, unwrap } from '@/api/client';
import { appQuery, driftKey, moveQuery } from '@/api/queries';
import { count } from '@/lib/format';
import { pathText } from '@/lib/json';
import { FindingList } from '@/ui/FindingList';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { MovePreview } from './MovePreview';

interface Props {
  service: string;
  edition: string;
  app: DriftUser;
}

/** Left as it is; the app tells of it among what is to be mended. */
const LATER = -1;

function Moving({ service, edition, app }: Props) {
  const queries = useQueryClient();
  const { data, error } = useQuery(moveQuery(app.id, service, edition));
  const [chosen, setChosen] = useState<Record<number, number>>({});
  const repair = (index: number) => chosen[index] ?? 0;
  const repairs = (data?.findings ?? []).flatMap(
    (found, index) => found.repairs[repair(index)]?.edit ?? [],
  );
  const edits: AppEdit[] = [...(data?.edits ?? []), ...repairs];
  const moving = useMutation({
    mutationFn: async () => {
      const view = await queries.fetchQuery({ ...appQuery(app.id), staleTime: 0 });
      return unwrap(
        api.POST('/api/apps/{app}/edits', {
          params: { path: { app: app.id } },
          body: {
            version: view.version,
            edit: { kind: 'together', title: `Move to the new edition of ${service}`, edits },
          },
        }),
      );
    },
    onSuccess: (view) => {
      queries.setQueryData(appQuery(app.id).queryKey, view);
      void queries.invalidateQueries({ queryKey: driftKey(service) });
    },
  });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting what="Trying it" />;
  const follows = data.edits.filter((edit) => edit.kind === 'followField');
  const operations = data.edits.filter((edit) => edit.kind === 'followOperation');
  return (
    <Box sx={{ pl: 2, py: 1 }}>
      {data.differences.length === 0 && (
        <Typography>Nothing that this app calls differs; it can move as it is.</Typography>
      )}
      {follows.length > 0 && (
        <Typography>
          Follows {count(follows.length, 'field')} to another name or place:{' '}
          {follows.map(({ was, is }) => `${pathText(was)} → ${pathText(is)}`).join(', ')}. Labels,
          formats and where they are shown stay.
        </Typography>
      )}
      {operations.length > 0 && (
        <Typography>
          Calls {operations.map(({ was, is }) => `${is} instead of ${was}`).join(', ')}.
        </Typography>
      )}
      {data.findings.map((found, index) => (
        <Box
          key={index}
          sx={{ display: 'flex', gap: 2, alignItems: 'flex-start', flexWrap: 'wrap', mt: 0.5 }}
        >
          <Box sx={{ flex: 1, minWidth: 260 }}>
            <Typography sx={{ color: 'text.secondary', fontSize: 12 }}>
              {found.pageName ?? 'the model'}
            </Typography>
            <FindingList findings={[found.finding]} label={found.pageName ?? 'the model'} />
          </Box>
          <TextField
            select
            label="What to do"
            value={found.repairs.length > 0 ? repair(index) : LATER}
            onChange={(event) => {
              setChosen({ ...chosen, [index]: Number(event.target.value) });
            }}
            sx={{ width: 240, mt: 2 }}
          >
            {found.repairs.map(({ words }, at) => (
              <MenuItem key={words} value={at}>
                {words}
              </MenuItem>
            ))}
            <MenuItem value={LATER}>leave it, mend it later</MenuItem>
          </TextField>
        </Box>
      ))}
      <MovePreview
        app={app.id}
        edits={edits}
        first={data.findings.find((found) => found.page)?.page}
      />
      {moving.error && <Problem error={moving.error} />}
      <Box sx={{ mt: 1.5 }}>
        <Button
          variant="contained"
          loading={moving.isPending}
          onClick={() => {
            moving.mutate();
          }}
        >
          Move {app.name}
        </Button>
        <Typography component="span" sx={{ color: 'text.secondary', ml: 1.5 }}>
          One undo takes all of it back. Visitors see it with the next release.
        </Typography>
      </Box>
    </Box>
  );
}

const wordsOf = (app: DriftUser) => {
  if (app.there) return 'uses this edition';
  const followed = app.followed > 0 ? `${count(app.followed, 'field')} followed, ` : '';
  return app.broken === 0
    ? `${followed}nothing would be wrong`
    : `${followed}${count(app.broken, 'thing')} to mend`;
};

/** What visitors have now, which never changes by itself. */
function released({ release }: DriftUser) {
  if (!release) return 'Nothing of it is released yet.';
  const number = `Visitors have release ${String(release.number)}, `;
  if (release.there) return `${number}which uses this edition.`;
  return release.stale === 0
    ? `${number}which works with both editions as it is.`
    : `${number}which stays with its own edition: ${count(release.stale, 'thing')} in it ${
        release.stale === 1 ? 'is' : 'are'
      } otherwise in this one. Once the service is changed, they need another release.`;
}

/** An app that uses the service: what moving it takes, and the press that moves it. */
export function MoveApp(props: Props) {
  const { app } = props;
  const [open, setOpen] = useState(false);
  return (
    <Box
      component="section"
      aria-label={app.name}
      sx={{ borderTop: '1px solid', borderColor: 'divider', py: 1 }}
    >
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline' }}>
        <Box
          component={Link}
          to={`/apps/${app.id}/releases`}
          sx={{ fontWeight: 600, color: 'primary.main' }}
        >
          {app.name}
        </Box>
        <Box
          sx={{ flex: 1, color: !app.there && app.broken > 0 ? 'error.main' : 'text.secondary' }}
        >
          {wordsOf(app)}
        </Box>
        {!app.there && (
          <Button
            aria-expanded={open}
            onClick={() => {
              setOpen(!open);
            }}
          >
            What moving takes
          </Button>
        )}
      </Box>
      <Box
        sx={{
          color:
            app.release && !app.release.there && app.release.stale > 0
              ? 'warning.main'
              : 'text.secondary',
        }}
      >
        {released(app)}
      </Box>
      {open && !app.there && <Moving {...props} />}
    </Box>
  );
}
