import { json } from '@codemirror/lang-json';
import { xml } from '@codemirror/lang-xml';
import { foldGutter, HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { EditorState } from '@codemirror/state';
import { Decoration, EditorView, keymap, lineNumbers } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { useEffect, useEffectEvent, useRef } from 'react';
import type { Span } from './places';

/** In the colours of the theme, so that they can be read by day and by night. */
const colours = HighlightStyle.define([
  { tag: [tags.tagName, tags.propertyName], color: 'var(--mui-palette-comesBack)' },
  { tag: [tags.string, tags.attributeValue], color: 'var(--mui-palette-goesIn)' },
  {
    tag: [tags.angleBracket, tags.comment, tags.processingInstruction, tags.documentMeta],
    color: 'var(--mui-palette-text-secondary)',
  },
]);

interface Props {
  text: string;
  label: string;
  /** What is looked at in it. */
  mark?: Span | undefined;
  /** A place in it is pressed, or Enter where the cursor stands. */
  onPlace?: ((at: number) => void) | undefined;
}

const looked = Decoration.mark({ class: 'looked-at' });

/** A message as text that can be folded and copied. Loaded only when somebody looks at the wire. */
export default function Message({ text, label, mark, onPlace }: Props) {
  const host = useRef<HTMLDivElement>(null);
  const start = mark?.start;
  const end = mark?.end;
  const placed = useEffectEvent((at: number) => onPlace?.(at));
  const pressable = onPlace !== undefined;
  useEffect(() => {
    if (!host.current) return;
    const marked = start !== undefined && end !== undefined && end > start;
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
          ...(marked
            ? [EditorView.decorations.of(Decoration.set([looked.range(start, end)]))]
            : []),
          ...(pressable
            ? [
                EditorView.domEventHandlers({
                  click: (event, at) => {
                    const place = at.posAtCoords({ x: event.clientX, y: event.clientY });
                    if (place !== null && at.state.selection.main.empty) placed(place);
                  },
                }),
                keymap.of([
                  {
                    key: 'Enter',
                    run: (at) => {
                      placed(at.state.selection.main.head);
                      return true;
                    },
                  },
                ]),
              ]
            : []),
          EditorView.contentAttributes.of({ 'aria-label': label }),
          EditorView.theme({
            '&': { fontSize: '12px', backgroundColor: 'var(--mui-palette-background-paper)' },
            '.cm-scroller': {
              fontFamily: '"Source Code Pro", monospace',
              maxHeight: '340px',
              overflow: 'auto',
            },
            '.looked-at': {
              backgroundColor: 'var(--mui-palette-shallow)',
              outline: '2px solid var(--mui-palette-comesBack)',
              borderRadius: '2px',
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
    if (marked) {
      view.dispatch({ effects: EditorView.scrollIntoView(start, { y: 'center' }) });
    }
    return () => {
      view.destroy();
    };
  }, [text, label, start, end, pressable]);
  return <div ref={host} />;
}
