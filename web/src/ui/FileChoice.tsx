import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Json } from '@/api/client';
import { asValue } from '@/lib/files';
import { inLine } from '@/lib/format';
import { FileButton } from './FileButton';

interface Props {
  label: string;
  value: Json;
  onChange: (value: Json) => void;
}

/** Bytes to be sent, from a file; in one line, to stand in a row or within a frame. */
export function FileChoice({ label, value, onChange }: Props) {
  const [name, setName] = useState('');
  const given = value !== undefined && value !== null && value !== '';
  const said = given ? (name ? `${name}, ${inLine(value)}` : inLine(value)) : 'no file yet';
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.75, width: '100%', minWidth: 0 }}>
      <Box
        component="span"
        title={said}
        sx={{
          flex: 1,
          minWidth: 0,
          color: given ? 'text.primary' : 'text.secondary',
          overflow: 'hidden',
          textOverflow: 'ellipsis',
          whiteSpace: 'nowrap',
        }}
      >
        {said}
      </Box>
      {given && (
        <Button
          aria-label={`Leave ${label} out`}
          sx={{ flex: 'none', p: 0, minWidth: 22, minHeight: 22 }}
          onClick={() => {
            setName('');
            onChange(undefined);
          }}
        >
          ×
        </Button>
      )}
      <FileButton
        label={label}
        sx={{ flex: 'none', py: 0, px: 0.75, minHeight: 22, lineHeight: 1.4 }}
        onFile={(file) => {
          setName(file.name);
          void asValue(file).then(onChange);
        }}
      >
        {given ? 'Another…' : 'Choose…'}
      </FileButton>
    </Box>
  );
}
