import Box from '@mui/material/Box';
import { useState } from 'react';
import type { StateWords } from '@/api/client';
import { InlineEdit } from '@/ui/InlineEdit';
import { OneOf } from './OneOf';

const STATES = {
  before: 'before it is asked',
  waiting: 'while it waits',
  empty: 'when it is empty',
  failed: 'when it failed',
} as const satisfies Record<keyof StateWords, string>;

interface Props {
  words: StateWords;
  onCommit: (words: StateWords) => void;
}

/** What a part says while it has nothing to show, for one state after the other. */
export function StateWordsEdit({ words, onCommit }: Props) {
  const [state, setState] = useState<keyof StateWords>('empty');
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.75, minWidth: 0 }}>
      <OneOf label="When it has nothing to show" value={state} words={STATES} onChoose={setState} />
      <InlineEdit
        value={words[state]}
        prefix="say:"
        placeholder="as usual"
        label={`Words ${STATES[state]}`}
        onCommit={(text) => {
          onCommit({ ...words, [state]: text });
        }}
      />
    </Box>
  );
}
