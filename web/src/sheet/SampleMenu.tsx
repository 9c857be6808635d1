import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import ListSubheader from '@mui/material/ListSubheader';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Samples, unwrap } from '@/api/client';
import { samplesQuery, servicesQuery } from '@/api/queries';
import { NameDialog } from '@/ui/NameDialog';
import { GiveSample } from './GiveSample';

const MADE = [
  { made: 'EMPTY', words: 'No rows' },
  { made: 'ONE_ROW', words: 'One row' },
  { made: 'MANY_ROWS', words: 'Many rows' },
  { made: 'LONGEST', words: 'Longest texts' },
  { made: 'FAULT', words: 'A call that fails' },
] as const;

interface Props {
  service: string;
  operation: string;
  /** Whether there is an answer that could be kept. */
  answered: boolean;
  /** The name of the one that is chosen, where one can be; null is what was answered last. */
  chosen?: string | null;
  /** Shows a sample by its name; what was answered last without one. */
  show: (name?: string) => Promise<unknown>;
  /** Another sample is shown from now on. */
  onShown: () => void;
}

/** The samples of an operation: shows one, keeps the last answer, or makes one up. */
export function SampleMenu({ service, operation, answered, chosen, show, onShown }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const [naming, setNaming] = useState(false);
  const [giving, setGiving] = useState(false);
  const queries = useQueryClient();
  const { data } = useQuery({ ...samplesQuery, enabled: anchor !== undefined });
  const params = { path: { service, operation } };
  const settled = (all: Samples) => {
    queries.setQueryData(samplesQuery.queryKey, all);
    void queries.invalidateQueries({ queryKey: servicesQuery.queryKey });
    void queries.invalidateQueries({ queryKey: ['bench'] });
  };
  const shown = () => {
    onShown();
    void queries.invalidateQueries({ queryKey: samplesQuery.queryKey });
    void queries.invalidateQueries({ queryKey: servicesQuery.queryKey });
    void queries.invalidateQueries({ queryKey: ['bench'] });
  };
  const using = useMutation({ mutationFn: (name?: string) => show(name), onSuccess: shown });
  const keeping = useMutation({
    mutationFn: (name: string) =>
      unwrap(
        api.POST('/api/services/{service}/operations/{operation}/samples', {
          params,
          body: { name },
        }),
      ),
    onSuccess: settled,
  });
  const making = useMutation({
    mutationFn: async ({ made, words }: (typeof MADE)[number]) => {
      await unwrap(
        api.POST('/api/services/{service}/operations/{operation}/samples', {
          params,
          body: { name: words, made },
        }),
      );
      return show(words);
    },
    onSuccess: shown,
  });
  const close = () => {
    setAnchor(undefined);
  };
  const known = (data?.samples ?? []).filter(
    (one) => one.service === service && one.operation === operation,
  );
  const failed = [using, keeping, making].find(({ error }) => error)?.error;
  return (
    <>
      <Button
        aria-haspopup="menu"
        aria-expanded={anchor !== undefined}
        title={failed ? failed.message : 'Answers to work with, without asking the service'}
        color={failed ? 'error' : 'primary'}
        onClick={(event) => {
          setAnchor(event.currentTarget);
        }}
      >
        Samples
      </Button>
      <Menu
        open={anchor !== undefined}
        anchorEl={anchor ?? null}
        onClose={close}
        slotProps={{ list: { dense: true }, paper: { sx: { maxHeight: 420 } } }}
      >
        <ListSubheader>{chosen === undefined ? 'Show' : 'Show on this page'}</ListSubheader>
        {chosen !== undefined && (
          <MenuItem
            selected={chosen === null}
            onClick={() => {
              close();
              using.mutate(undefined);
            }}
          >
            What was answered last
          </MenuItem>
        )}
        {known.map(({ name }) => (
          <MenuItem
            key={name}
            selected={chosen === name}
            onClick={() => {
              close();
              using.mutate(name);
            }}
          >
            {name}
          </MenuItem>
        ))}
        {known.length === 0 && chosen === undefined && (
          <MenuItem disabled>nothing was kept yet</MenuItem>
        )}
        <ListSubheader>Make up</ListSubheader>
        {MADE.map((one) => (
          <MenuItem
            key={one.made}
            onClick={() => {
              close();
              making.mutate(one);
            }}
          >
            {one.words}
          </MenuItem>
        ))}
        <Divider />
        <MenuItem
          disabled={!answered}
          onClick={() => {
            close();
            setNaming(true);
          }}
        >
          Keep this answer…
        </MenuItem>
        <MenuItem
          onClick={() => {
            close();
            setGiving(true);
          }}
        >
          Give an answer…
        </MenuItem>
      </Menu>
      {giving && (
        <GiveSample
          service={service}
          operation={operation}
          onKept={settled}
          onClose={() => {
            setGiving(false);
          }}
        />
      )}
      {naming && (
        <NameDialog
          label="Name of the sample"
          start=""
          onClose={() => {
            setNaming(false);
          }}
          onName={(name) => {
            keeping.mutate(name);
          }}
        />
      )}
    </>
  );
}
