import type { PageUse, Picked } from './model';

const nothing = () => undefined;

/** A page that is built: it shows samples, and pressing picks. */
export function sampleUse(picked: Picked | undefined, onPick: (picked: Picked) => void): PageUse {
  return {
    building: true,
    picked,
    onPick,
    typed: {},
    busy: false,
    onStop: undefined,
    onInput: nothing,
    onPress: nothing,
    onChoose: nothing,
    onReply: nothing,
    onArrange: undefined,
    onRows: undefined,
    fetched: new Map(),
    fileOf: undefined,
  };
}

/** A page that is only looked at, filled with samples. */
export const lookedAt = sampleUse(undefined, nothing);
