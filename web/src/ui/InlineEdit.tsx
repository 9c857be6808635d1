import Box from '@mui/material/Box';
import { useState } from 'react';
import { inlineLook } from './inlineLook';

interface Props {
  value: string;
  label: string;
  onCommit: (value: string) => void;
  prefix?: string;
  placeholder?: string;
}

/** Words that become a field when pressed. Enter or leaving keeps the change, Escape drops it. */
export function InlineEdit({ value, label, onCommit, prefix, placeholder }: Props) {
  const [draft, setDraft] = useState<string>();
  if (draft === undefined) {
    return (
      <Box
        component="button"
        type="button"
        data-edit
        aria-label={`${label}: ${value || (placeholder ?? '')}. Edit`}
        onClick={() => {
          setDraft(value);
        }}
        sx={inlineLook}
      >
        {prefix && (
          <Box component="span" aria-hidden sx={{ color: 'text.secondary', mr: 0.5 }}>
            {prefix}
          </Box>
        )}
        {value || (
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {placeholder}
          </Box>
        )}
      </Box>
    );
  }
  const leave = (keep: boolean) => {
    const words = draft.trim();
    setDraft(undefined);
    if (keep && words !== value) onCommit(words);
  };
  return (
    <Box
      component="input"
      autoFocus
      aria-label={label}
      value={draft}
      onChange={(event: React.ChangeEvent<HTMLInputElement>) => {
        setDraft(event.target.value);
      }}
      onFocus={(event: React.FocusEvent<HTMLInputElement>) => {
        event.target.select();
      }}
      onBlur={() => {
        leave(true);
      }}
      onKeyDown={(event: React.KeyboardEvent<HTMLInputElement>) => {
        if (event.key !== 'Enter' && event.key !== 'Escape') return;
        event.stopPropagation();
        const sheet = event.currentTarget.closest<HTMLElement>('[role=treegrid]');
        leave(event.key === 'Enter');
        sheet?.focus();
      }}
      sx={{
        ...inlineLook,
        borderBottomStyle: 'solid',
        bgcolor: 'background.paper',
        cursor: 'text',
      }}
    />
  );
}
