import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Offered } from '@/api/client';

function Copy({ what, text }: { what: string; text: string }) {
  const [done, setDone] = useState(false);
  return (
    <Button
      aria-label={`Copy ${what}`}
      onClick={() => {
        void navigator.clipboard.writeText(text).then(() => {
          setDone(true);
        });
      }}
      sx={{ flex: 'none', py: 0 }}
    >
      {done ? 'Copied' : 'Copy'}
    </Button>
  );
}

/** The addresses of descriptions, and how to ask from a terminal, to be copied. */
export function Addresses({ addresses }: { addresses: Offered['addresses'] }) {
  return (
    <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
      {addresses.map(({ what, address, command }) => (
        <Box
          component="li"
          key={address}
          sx={{ py: 0.75, borderTop: '1px solid', borderColor: 'line' }}
        >
          <Box sx={{ fontWeight: 600 }}>{what}</Box>
          {[
            ['the address', address],
            ['the request', command],
          ].map(([words = '', text = '']) => (
            <Box key={words} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
              <Box component="code" sx={{ flex: 1, minWidth: 0, overflowWrap: 'anywhere' }}>
                {text}
              </Box>
              <Copy what={`${words} of ${what}`} text={text} />
            </Box>
          ))}
        </Box>
      ))}
    </Box>
  );
}
