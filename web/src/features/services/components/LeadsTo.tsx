import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Link } from 'react-router';
import type { Json, Operation } from '@/api/client';
import { inLine } from '@/lib/format';
import { isRecord } from '@/lib/json';

/** What another answer handed on to this operation, as the history of the browser keeps it. */
export function handedOn(state: unknown): Json {
  return typeof state === 'object' && state !== null && 'handed' in state
    ? (state.handed as Json)
    : undefined;
}

/** The operations that the last answer leads to, each with what it takes along. */
export function LeadsTo({ operation }: { operation: Operation }) {
  if (operation.links.length === 0) return null;
  return (
    <Box
      component="ul"
      aria-label="Goes on to"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, m: 0, mb: 1, p: 0, listStyle: 'none' }}
    >
      {operation.links.map((link) => (
        <li key={link.name}>
          <Button
            component={Link}
            to={`/services/${operation.service}/operations/${link.operation}`}
            state={{ handed: link.values }}
            title={link.documentation}
            sx={{ textTransform: 'none' }}
          >
            Go on to {link.operationName}
            {isRecord(link.values) && Object.keys(link.values).length > 0
              ? ` with ${inLine(link.values)}`
              : ''}
          </Button>
        </li>
      ))}
    </Box>
  );
}
