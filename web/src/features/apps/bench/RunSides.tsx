import type { ComponentProps } from 'react';
import type { Page, Preview } from '@/api/client';
import { Split } from '@/ui/Split';
import { LivePage } from '../live/LivePage';
import type { Picked } from '../live/model';
import { useLive } from '../live/useLive';
import { PageSide } from './PageSide';
import { Trace } from './Trace';

interface Props {
  app: string;
  page: Page;
  preview: Preview;
  picked: Picked | undefined;
  onPick: (picked: Picked) => void;
  side: Omit<ComponentProps<typeof PageSide>, 'note' | 'children'>;
}

/** The bench while the page runs: real requests on the right, their trace on the left. */
export function RunSides({ app, page, preview, picked, onPick, side }: Props) {
  const live = useLive(app, page, { preview });
  return (
    <Split
      id="run"
      leftSize="38%"
      left={
        <div style={{ height: '100%', overflow: 'auto' }}>
          <Trace page={page} state={live.state} picked={picked} />
        </div>
      }
      right={
        <PageSide {...side} note="real requests">
          <LivePage
            building={false}
            page={page}
            state={live.state}
            picked={picked}
            onPick={onPick}
            onInput={live.onInput}
            onPress={live.onPress}
          />
        </PageSide>
      }
    />
  );
}
