import { xml } from '@codemirror/lang-xml';
import { defaultHighlightStyle, foldGutter, syntaxHighlighting } from '@codemirror/language';
import { EditorState } from '@codemirror/state';
import { EditorView, lineNumbers } from '@codemirror/view';
import { useEffect, useRef } from 'react';

/** A message as text that can be folded and copied. Loaded only when somebody looks at the wire. */
export default function Message({ text, label }: { text: string; label: string }) {
  const host = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!host.current) return;
    const view = new EditorView({
      parent: host.current,
      state: EditorState.create({
        doc: text,
        extensions: [
          lineNumbers(),
          foldGutter(),
          xml(),
          syntaxHighlighting(defaultHighlightStyle),
          EditorState.readOnly.of(true),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({ 'aria-label': label }),
          EditorView.theme({
            '&': { fontSize: '12px', backgroundColor: 'var(--mui-palette-background-paper)' },
            '.cm-scroller': {
              fontFamily: '"Source Code Pro", monospace',
              maxHeight: '340px',
              overflow: 'auto',
            },
            '.cm-gutters': {
              backgroundColor: 'transparent',
              border: 0,
              color: 'var(--mui-palette-text-secondary)',
            },
          }),
        ],
      }),
    });
    return () => {
      view.destroy();
    };
  }, [text, label]);
  return <div ref={host} />;
}
