import Button from '@mui/material/Button';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, unwrap } from '@/api/client';
import { appQuery, appsQuery } from '@/api/queries';
import { NameDialog } from '@/ui/NameDialog';
import { Problem } from '@/ui/Problem';

async function newApp(name: string) {
  const { id } = await unwrap(api.POST('/api/apps', { body: { name } }));
  return id;
}

interface Props {
  /** The app that the page is for; a new one of the same name if there is none. */
  app?: string;
  words: string;
  label: string;
  look?: 'contained' | 'text';
}

/** Makes an empty page, to be filled on the bench. */
export function NewPage({ app, words, label, look = 'text' }: Props) {
  const [asking, setAsking] = useState(false);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const making = useMutation({
    mutationFn: async (name: string) => {
      const params = { path: { app: app ?? (await newApp(name)) } };
      const { version } = await unwrap(api.GET('/api/apps/{app}', { params }));
      const body = { version, edit: { kind: 'addEmptyPage', name } } as const;
      return unwrap(api.POST('/api/apps/{app}/edits', { params, body }));
    },
    onSuccess: async (view) => {
      queries.setQueryData(appQuery(view.id).queryKey, view);
      await queries.invalidateQueries({ queryKey: appsQuery.queryKey, exact: true });
      await navigate(`/apps/${view.id}/pages/${view.pages.at(-1)?.id ?? ''}`);
    },
  });
  return (
    <>
      <Button
        variant={look}
        loading={making.isPending}
        onClick={() => {
          setAsking(true);
        }}
      >
        {words}
      </Button>
      {asking && (
        <NameDialog
          label={label}
          start=""
          onClose={() => {
            setAsking(false);
          }}
          onName={making.mutate}
        />
      )}
      {making.error && <Problem error={making.error} />}
    </>
  );
}
