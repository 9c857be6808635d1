import { json } from '@codemirror/lang-json';
import { xml } from '@codemirror/lang-xml';
import { foldGutter, HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { EditorState } from '@codemirror/state';
import { EditorView, lineNumbers } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { useEffect, useRef } from 'react';

/** In the colours of the theme, so that they can be read by day and by night. */
const colours = HighlightStyle.define([
  { tag: [tags.tagName, tags.propertyName], color: 'var(--mui-palette-comesBack)' },
  { tag: [tags.string, tags.attributeValue], color: 'var(--mui-palette-goesIn)' },
  {
    tag: [tags.angleBracket, tags.comment, tags.processingInstruction, tags.documentMeta],
    color: 'var(--mui-palette-text-secondary)',
  },
]);

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
          /^\s*[[{]/.test(text) ? json() : xml(),
          syntaxHighlighting(colours),
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
