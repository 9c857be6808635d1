import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { api, unwrap } from '@/api/client';
import { Problem } from '@/ui/Problem';

/** Where to go on: only places of this program. */
const placeOf = (wanted: string | null) =>
  wanted !== null && /^\/(?![/\\])/.test(wanted) ? wanted : '/';

/** Where builders come in. */
export function SignIn() {
  const [password, setPassword] = useState('');
  const [search] = useSearchParams();
  useEffect(() => {
    document.title = 'Sign in';
  }, []);
  const coming = useMutation({
    mutationFn: () => unwrap(api.POST('/api/session', { body: { password } })),
    onSuccess: () => {
      // Everything is read anew, as somebody who may.
      window.location.assign(placeOf(search.get('to')));
    },
  });
  return (
    <Box
      component="main"
      sx={{ maxWidth: 420, mx: 'auto', px: 2, pt: { xs: 6, sm: 14 }, display: 'grid', gap: 2 }}
    >
      <Typography variant="h1">Sign in</Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        Services and pages of this workspace are changed only by those who know its password. What
        was released is open to all at the <Link href="/open">start page for visitors</Link>.
      </Typography>
      <Box
        component="form"
        onSubmit={(event: React.SyntheticEvent) => {
          event.preventDefault();
          coming.mutate();
        }}
        sx={{ display: 'grid', gap: 2, justifyItems: 'start' }}
      >
        <TextField
          fullWidth
          autoFocus
          type="password"
          autoComplete="current-password"
          label="Password of the workspace"
          value={password}
          onChange={(event) => {
            setPassword(event.target.value);
          }}
        />
        <Button
          type="submit"
          variant="contained"
          size="medium"
          disabled={password === ''}
          loading={coming.isPending}
        >
          Come in
        </Button>
      </Box>
      {coming.error && <Problem error={coming.error} />}
    </Box>
  );
}
