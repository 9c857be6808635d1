import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { lazy } from 'react';
import { MONO } from '@/ui/fonts';
import { Mark } from '@/ui/Mark';
import { layOut } from './layOut';

const Message = lazy(() => import('./Message'));

interface HeaderLine {
  name: string;
  value: string;
  reason?: string;
}

export function Headers({ lines, label }: { lines: HeaderLine[]; label: string }) {
  return (
    <Box
      component="dl"
      aria-label={label}
      sx={{ m: 0, mb: 1, fontFamily: MONO, fontSize: 12, overflowWrap: 'anywhere' }}
    >
      {lines.map((line, index) => (
        <Box key={index} sx={{ py: '2px' }}>
          <Box component="dt" sx={{ display: 'inline', color: 'text.secondary' }}>
            {line.name}:{' '}
          </Box>
          <Box component="dd" sx={{ display: 'inline', m: 0 }}>
            {line.value}
          </Box>
          {line.reason && (
            <Box sx={{ fontFamily: 'fontFamily', color: 'text.secondary', pl: 2 }}>
              because {line.reason}
            </Box>
          )}
        </Box>
      ))}
    </Box>
  );
}

interface RequestProps {
  method: string;
  address: string;
  headers: HeaderLine[];
  body: string;
  /** Whether the body is laid out to be read. */
  pretty: boolean;
}

export function Request({ method, address, headers, body, pretty }: RequestProps) {
  return (
    <Box component="section" aria-label="Request" sx={{ minWidth: 0 }}>
      <Typography variant="h3" sx={{ mb: 0.5 }}>
        <Mark side="in" /> Request
      </Typography>
      <Typography sx={{ fontFamily: MONO, fontSize: 12, overflowWrap: 'anywhere' }}>
        {method} {address}
      </Typography>
      <Headers lines={headers} label="Request headers" />
      <Message text={pretty ? layOut(body) : body} label="Request body" />
    </Box>
  );
}
