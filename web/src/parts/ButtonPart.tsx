import Button from '@mui/material/Button';
import { lazy, Suspense, useState } from 'react';
import type { ButtonView } from '@/api/client';
import type { PageUse } from './model';
import { Pickable } from './Pickable';

const SureDialog = lazy(() => import('./SureDialog'));

interface Props {
  part: ButtonView;
  use: PageUse;
  /** The number of the row that it stands in. */
  row?: number;
}

/** A button; one that cannot be taken back asks first. */
export function ButtonPart({ part, use, row }: Props) {
  const [asking, setAsking] = useState(false);
  const dangerous = part.manner === 'DANGEROUS';
  const press = () => {
    setAsking(false);
    use.onPress(part.id, row);
  };
  const button = (
    <Button
      variant={part.manner === 'MAIN' && row === undefined ? 'contained' : 'outlined'}
      color={dangerous ? 'error' : 'primary'}
      size={row === undefined ? 'medium' : 'small'}
      disabled={use.busy}
      onClick={() => {
        if (use.building) return;
        if (dangerous) setAsking(true);
        else press();
      }}
    >
      {part.heading}
    </Button>
  );
  if (use.building) {
    return (
      <Pickable use={use} place={{ part: part.id }}>
        {button}
      </Pickable>
    );
  }
  return (
    <>
      {button}
      {asking && (
        <Suspense>
          <SureDialog
            words={part.heading}
            onKeep={() => {
              setAsking(false);
            }}
            onGo={press}
          />
        </Suspense>
      )}
    </>
  );
}
