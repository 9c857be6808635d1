import Box from '@mui/material/Box';
import type { Action, AppEdit, ReactionStep, SlotView, Source } from '@/api/client';
import { actionWords, type WordChoice } from './choices';
import { SourcePicker } from './SourcePicker';
import { WordMenu } from './WordMenu';

type Choice = { kind: 'do'; action: Action } | { kind: 'if' | 'unless' | 'remove' };

interface Props {
  app: string;
  page: string;
  step: ReactionStep;
  actions: WordChoice<Action>[];
  onEdit: (edit: AppEdit) => void;
}

/** What stands before the value of a slot in the sentence. */
const BEFORE: Record<string, string> = { words: '', value: 'the value', address: '' };

/** Where something is put that the page gone to has not been opened with so far. */
const HANDED = '+';

/** One step of a reaction, as a clause of its sentence. */
export function StepClause({ app, page, step, actions, onEdit }: Props) {
  const fill = (slot: SlotView) => (source: Source | undefined) => {
    if (step.action.kind === 'goTo' && source && slot.name !== 'if') {
      onEdit({
        kind: 'passArgument',
        page,
        step: step.id,
        // What is handed on for the first time is named after what it is.
        ...(slot.name === HANDED ? {} : { name: slot.name }),
        source,
      });
    } else onEdit({ kind: 'fillSlot', slot: slot.slot, ...(source ? { source } : {}) });
  };
  const picker = (slot: SlotView, label: string, empty: string) => (
    <Box component="span" sx={{ display: 'inline-flex', maxWidth: 320, verticalAlign: 'baseline' }}>
      <SourcePicker
        app={app}
        page={page}
        slot={slot.slot}
        label={label}
        words={slot.words}
        source={slot.source}
        empty={empty}
        onFill={fill(slot)}
      />
    </Box>
  );
  const conditional = step.condition.source !== undefined;
  const hands = step.action.kind === 'goTo';
  const choices: WordChoice<Choice>[] = [
    {
      words: conditional ? 'always, without a condition' : 'only if…',
      value: { kind: conditional ? 'unless' : 'if' },
    },
    { words: 'leave this step out', value: { kind: 'remove' } },
    ...actions.map(({ words, value }) => ({
      words,
      value: { kind: 'do', action: value } as const,
    })),
  ];
  const choose = (choice: Choice) => {
    switch (choice.kind) {
      case 'do':
        onEdit({ kind: 'setAction', page, step: step.id, action: choice.action });
        return;
      case 'remove':
        onEdit({ kind: 'removeStep', page, step: step.id });
        return;
      case 'if':
        onEdit({
          kind: 'fillSlot',
          slot: step.condition.slot,
          source: { kind: 'formula', text: 'true' },
        });
        return;
      case 'unless':
        onEdit({ kind: 'fillSlot', slot: step.condition.slot });
    }
  };
  return (
    <>
      {' → '}
      {conditional && <>if {picker(step.condition, 'Condition of the step', 'always')} </>}
      <WordMenu
        words={actionWords(step.action, step.words)}
        label="Step"
        choices={choices}
        onChoose={choose}
        onMove={(by) => {
          onEdit({ kind: 'moveStep', page, step: step.id, by });
        }}
      />
      {step.slots.map((slot) => (
        <span key={slot.name}>
          {' '}
          {hands ? `with ${slot.name} ` : (BEFORE[slot.name] ?? '')}{' '}
          {picker(slot, hands ? `${slot.name} of the page` : 'With', 'nothing yet')}
        </span>
      ))}
      {hands && (
        <>
          {step.slots.length > 0 ? ' and with ' : ' with '}
          {picker(
            {
              name: HANDED,
              slot: { kind: 'ofPart', page, owner: step.id, name: HANDED },
              words: '',
            },
            'Hand on',
            step.slots.length > 0 ? 'something else' : 'nothing in hand',
          )}
        </>
      )}
      {step.fills.length > 0 && (
        <>
          {' '}
          → fill <strong>{step.fills.join(', ')}</strong>
        </>
      )}
    </>
  );
}
