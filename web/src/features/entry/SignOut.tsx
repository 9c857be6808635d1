import LogoutOutlined from '@mui/icons-material/LogoutOutlined';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { useMutation, useQuery } from '@tanstack/react-query';
import { api, unwrap } from '@/api/client';
import { sessionQuery } from '@/api/queries';

/** The way out, where there is a password. */
export function SignOut() {
  const { data } = useQuery(sessionQuery);
  const leaving = useMutation({
    mutationFn: () => unwrap(api.DELETE('/api/session')),
    onSuccess: () => {
      window.location.assign('/sign-in');
    },
  });
  return (
    data?.guarded && (
      <Tooltip title="Sign out">
        <IconButton
          aria-label="Sign out"
          disabled={leaving.isPending}
          onClick={() => {
            leaving.mutate();
          }}
        >
          <LogoutOutlined fontSize="small" />
        </IconButton>
      </Tooltip>
    )
  );
}
