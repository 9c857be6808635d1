import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Json, Page, Part } from '@/api/client';
import type { LiveState, Picked } from './model';
import { LiveButton } from './LiveButton';
import { LiveForm } from './LiveForm';
import { LiveRecord } from './LiveRecord';
import { LiveTable } from './LiveTable';

interface Props {
  page: Page;
  state: LiveState;
  /** While a page is being built its parts are picked instead of used. */
  building: boolean;
  picked?: Picked | undefined;
  onPick?: ((picked: Picked) => void) | undefined;
  onInput: (id: string, value: Json) => void;
  onPress: (button: string) => void;
  strip?: (part: Part) => ReactNode;
}

export interface PartProps<P extends Part> {
  part: P;
  state: LiveState;
  building: boolean;
  picked: Picked | undefined;
  onPick: ((picked: Picked) => void) | undefined;
  onInput: (id: string, value: Json) => void;
  onPress: (button: string) => void;
}

function PartView(props: PartProps<Part>) {
  const { part } = props;
  switch (part.kind) {
    case 'form':
      return <LiveForm {...props} part={part} />;
    case 'button':
      return <LiveButton {...props} part={part} />;
    case 'table':
      return <LiveTable {...props} part={part} />;
    case 'record':
      return <LiveRecord {...props} part={part} />;
    case 'text':
      return (
        <Typography sx={{ whiteSpace: 'pre-line', maxWidth: '70ch' }}>{part.label}</Typography>
      );
  }
}

/** A page with its real parts: the same while it is built, run and used. */
export function LivePage({
  page,
  state,
  building,
  picked,
  onPick,
  onInput,
  onPress,
  strip,
}: Props) {
  return (
    <Box
      component="article"
      aria-label={page.name}
      sx={{ containerType: 'inline-size', display: 'grid', gap: 2.5 }}
    >
      <Typography variant="h1" component="h1" sx={{ fontSize: 24 }}>
        {page.name}
      </Typography>
      {state.messages.map((message, index) => (
        <Alert key={index} severity={message.failed ? 'error' : 'success'} variant="outlined">
          {message.text}
        </Alert>
      ))}
      {page.parts.map((part) => (
        <Box
          key={part.id}
          onClick={building ? () => onPick?.({ part: part.id }) : undefined}
          sx={
            building
              ? {
                  position: 'relative',
                  borderLeft: '3px solid',
                  borderColor: picked?.part === part.id ? 'primary.main' : 'transparent',
                  pl: 1.5,
                  ml: -2,
                  '&:hover': { borderColor: 'primary.main' },
                }
              : { minWidth: 0 }
          }
        >
          {picked?.part === part.id && strip?.(part)}
          <PartView
            part={part}
            state={state}
            building={building}
            picked={picked}
            onPick={onPick}
            onInput={onInput}
            onPress={onPress}
          />
        </Box>
      ))}
    </Box>
  );
}
