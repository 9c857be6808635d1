import Add from '@mui/icons-material/Add';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Action, AppEdit, AppView, Bench, Reaction, Trigger } from '@/api/client';
import { InlineEdit } from '@/ui/InlineEdit';
import { actionsOf, triggersOf, triggerWords, type WordChoice } from './choices';
import { SourcePicker } from './SourcePicker';
import { StepClause } from './StepClause';
import { WordMenu } from './WordMenu';

const small = { fontSize: 16 };

interface AddProps<T> {
  label: string;
  choices: WordChoice<T>[];
  onChoose: (value: T) => void;
  words?: string;
}

/** A plus that offers what can be added. */
function AddMenu<T>({ label, choices, onChoose, words }: AddProps<T>) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  return (
    <>
      {words ? (
        <Button
          aria-haspopup="menu"
          startIcon={<Add sx={small} />}
          onClick={(event) => {
            setAnchor(event.currentTarget);
          }}
        >
          {words}
        </Button>
      ) : (
        <IconButton
          aria-label={label}
          aria-haspopup="menu"
          title={label}
          onClick={(event) => {
            setAnchor(event.currentTarget);
          }}
          sx={{ p: 0.25 }}
        >
          <Add sx={small} />
        </IconButton>
      )}
      <Menu
        open={anchor !== undefined}
        anchorEl={anchor ?? null}
        onClose={() => {
          setAnchor(undefined);
        }}
        slotProps={{ list: { dense: true }, paper: { sx: { maxHeight: 380 } } }}
      >
        {choices.map((choice, index) => (
          <MenuItem
            key={index}
            onClick={() => {
              setAnchor(undefined);
              onChoose(choice.value);
            }}
          >
            {choice.words}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

interface Props {
  view: AppView;
  page: string;
  bench: Bench;
  onEdit: (edit: AppEdit) => void;
}

/** What the page is opened with, each with its name to change and a way to do without it. */
function OpenedWith({ page, bench, onEdit }: Omit<Props, 'view'>) {
  if (bench.arguments.length === 0) return null;
  return (
    <Box
      component="ul"
      aria-label="What the page is opened with"
      sx={{ listStyle: 'none', m: 0, p: 0, borderTop: '1px solid', borderColor: 'line' }}
    >
      {bench.arguments.map(({ name, words }) => (
        <Box
          component="li"
          key={name}
          sx={{ py: 0.75, display: 'flex', alignItems: 'center', gap: 1 }}
        >
          Opened with
          <Box sx={{ minWidth: 0 }}>
            <InlineEdit
              value={name}
              placeholder="no name"
              label={`What ${name} is called`}
              onCommit={(next) => {
                if (next) onEdit({ kind: 'renameArgument', page, argument: name, name: next });
              }}
            />
          </Box>
          <Typography component="span" sx={{ color: 'text.secondary', flex: 1 }}>
            {words}
          </Typography>
          <IconButton
            aria-label={`No longer open the page with ${name}`}
            title="No longer open the page with it"
            onClick={() => {
              onEdit({ kind: 'removeArgument', page, argument: name });
            }}
          >
            <DeleteOutlined sx={small} />
          </IconButton>
        </Box>
      ))}
    </Box>
  );
}

interface SentenceProps extends Props {
  reaction: Reaction;
  actions: WordChoice<Action>[];
}

/** One reaction as a sentence; each word that can change is a menu of what fits there. */
function Sentence({ view, page, bench, reaction, actions, onEdit }: SentenceProps) {
  const { condition } = reaction;
  const condit = condition.source !== undefined;
  const add = (failure: boolean) => (action: Action) => {
    onEdit({ kind: 'addStep', page, reaction: reaction.id, failure, action });
  };
  const set = (text: string | undefined) => {
    onEdit({
      kind: 'fillSlot',
      slot: condition.slot,
      ...(text === undefined ? {} : { source: { kind: 'formula', text } }),
    });
  };
  return (
    <Box
      component="li"
      sx={{
        py: 0.75,
        borderTop: '1px solid',
        borderColor: 'line',
        lineHeight: 1.7,
        display: 'flex',
        gap: 1,
      }}
    >
      <Box sx={{ flex: 1, minWidth: 0 }}>
        When{' '}
        <WordMenu<{ when: Trigger | undefined }>
          words={triggerWords(reaction.when, reaction.words)}
          label="Event"
          choices={[
            ...triggersOf(bench).map(({ words, value }) => ({ words, value: { when: value } })),
            condit
              ? { words: 'always, without a condition', value: { when: undefined } }
              : { words: 'only if…', value: { when: undefined } },
          ]}
          onChoose={({ when }) => {
            if (when) onEdit({ kind: 'setTrigger', page, reaction: reaction.id, when });
            else set(condit ? undefined : 'true');
          }}
        />
        {condit && (
          <>
            {' if '}
            <Box component="span" sx={{ display: 'inline-flex', verticalAlign: 'baseline' }}>
              <SourcePicker
                app={view.id}
                page={page}
                slot={condition.slot}
                label="Condition"
                words={condition.words}
                source={condition.source}
                empty="always"
                onFill={(source) => {
                  onEdit({
                    kind: 'fillSlot',
                    slot: condition.slot,
                    ...(source ? { source } : {}),
                  });
                }}
              />
            </Box>
          </>
        )}
        {reaction.steps.map((step) => (
          <StepClause
            key={step.id}
            app={view.id}
            page={page}
            step={step}
            actions={actions}
            onEdit={onEdit}
          />
        ))}{' '}
        <AddMenu label="Add a step" choices={actions} onChoose={add(false)} />
        {reaction.steps.some(({ action }) => action.kind === 'makeCall') && (
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {' '}
            If it fails
            {reaction.failure.length === 0 && ' → say what the service said'}
            {reaction.failure.map((step) => (
              <StepClause
                key={step.id}
                app={view.id}
                page={page}
                step={step}
                actions={actions}
                onEdit={onEdit}
              />
            ))}{' '}
            <AddMenu label="Add a step for failures" choices={actions} onChoose={add(true)} />
          </Box>
        )}
        {reaction.steps.length > 0 && (
          <Box sx={{ color: 'text.secondary', fontSize: 12.5, lineHeight: 1.5, mt: 0.25 }}>
            {'With this sample: '}
            {reaction.would.length === 0 ? 'nothing happens' : reaction.would.join(' → ')}
          </Box>
        )}
      </Box>
      <Box>
        <IconButton
          aria-label={`Remove what happens when ${triggerWords(reaction.when, reaction.words)}`}
          title="Remove"
          onClick={() => {
            onEdit({ kind: 'removeReaction', page, reaction: reaction.id });
          }}
        >
          <DeleteOutlined sx={small} />
        </IconButton>
      </Box>
    </Box>
  );
}

/** Whether a call is made when the page is opened. */
const isMadeOnOpening = (bench: Bench, call: string) =>
  bench.reactions.some(
    ({ when, steps }) =>
      when.kind === 'opened' &&
      steps.some(({ action }) => action.kind === 'makeCall' && action.call === call),
  );

/** What happens when, as sentences that are changed where they stand. */
export function Reactions({ view, page, bench, onEdit }: Props) {
  const actions = actionsOf(bench, view, page);
  return (
    <Box component="section" aria-label="Reactions" sx={{ mt: 3 }}>
      <Typography variant="h3" sx={{ color: 'text.secondary', mb: 0.5 }}>
        What happens
      </Typography>
      <OpenedWith page={page} bench={bench} onEdit={onEdit} />
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {bench.reactions.map((reaction) => (
          <Sentence
            key={reaction.id}
            view={view}
            page={page}
            bench={bench}
            reaction={reaction}
            actions={actions}
            onEdit={onEdit}
          />
        ))}
      </Box>
      {bench.calls
        .filter(({ id }) => !isMadeOnOpening(bench, id))
        .map(({ id, operationName }) => (
          <Button
            key={id}
            onClick={() => {
              onEdit({ kind: 'callOnOpening', page, call: id, made: true });
            }}
          >
            Call {operationName} when the page is opened
          </Button>
        ))}
      <AddMenu
        label="Let something happen"
        words="Let something happen when…"
        choices={triggersOf(bench)}
        onChoose={(when) => {
          onEdit({ kind: 'addReaction', page, when, actions: [] });
        }}
      />
    </Box>
  );
}
