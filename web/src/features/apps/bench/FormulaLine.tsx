import { autocompletion, type CompletionContext, completionKeymap } from '@codemirror/autocomplete';
import { EditorState } from '@codemirror/state';
import { EditorView, keymap } from '@codemirror/view';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useEffectEvent, useRef, useState } from 'react';
import type { SlotId } from '@/api/client';
import { formulaQuery } from '@/api/queries';
import { FindingList } from '@/ui/FindingList';
import { MONO } from '@/ui/fonts';
import { FUNCTIONS, offeredAt, type Variable } from './formula';

interface Props {
  app: string;
  page: string;
  slot: SlotId;
  start: string;
  onTake: (text: string) => void;
}

/** A formula in one line, with what it comes to as it is typed. */
export function FormulaLine({ app, page, slot, start, onTake }: Props) {
  const [text, setText] = useState(start);
  const { data } = useQuery(formulaQuery(app, page, slot, useDeferredValue(text)));
  const host = useRef<HTMLDivElement>(null);
  const known = useRef<Variable[]>([]);
  useEffect(() => {
    known.current = data?.variables ?? [];
  }, [data]);
  const take = useEffectEvent(() => {
    onTake(text);
  });
  useEffect(() => {
    if (!host.current) return;
    const complete = (context: CompletionContext) => {
      const word = context.matchBefore(/[A-Za-z_][\w.]*/);
      if (!word && !context.explicit) return null;
      return offeredAt(word?.text ?? '', word?.from ?? context.pos, known.current);
    };
    const view = new EditorView({
      parent: host.current,
      state: EditorState.create({
        doc: start,
        selection: { anchor: start.length },
        extensions: [
          keymap.of([
            ...completionKeymap,
            {
              key: 'Enter',
              run: () => {
                take();
                return true;
              },
            },
          ]),
          autocompletion({ override: [complete] }),
          EditorState.transactionFilter.of((change) => (change.newDoc.lines > 1 ? [] : change)),
          EditorView.contentAttributes.of({ 'aria-label': 'Formula' }),
          EditorView.updateListener.of((update) => {
            if (update.docChanged) setText(update.state.doc.toString());
          }),
        ],
      }),
    });
    view.focus();
    return () => {
      view.destroy();
    };
  }, [start]);
  const wrong = text !== '' && data !== undefined && data.value === undefined;
  return (
    <Box>
      <Box
        ref={host}
        sx={{
          border: '1px solid',
          borderColor: wrong ? 'error.main' : 'divider',
          '& .cm-editor': { fontFamily: MONO, fontSize: 13 },
          '& .cm-content': { fontFamily: MONO },
          '& .cm-editor.cm-focused': { outline: 'none' },
        }}
      />
      <Box role="status" aria-label="Result" sx={{ minHeight: 28, pt: 0.5 }}>
        {data?.value !== undefined && (
          <Typography>
            = <strong>{data.value || 'nothing in this sample'}</strong>
          </Typography>
        )}
        {text !== '' && data && <FindingList findings={data.findings} label="What is wrong" />}
      </Box>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Button
          variant="outlined"
          disabled={text === '' || wrong}
          onClick={() => {
            onTake(text);
          }}
        >
          Take it
        </Button>
        <Typography sx={{ color: 'text.secondary', fontSize: 12 }}>
          Ctrl+Space offers names. {FUNCTIONS.slice(0, 4).join(', ')} and more.
        </Typography>
      </Box>
    </Box>
  );
}
