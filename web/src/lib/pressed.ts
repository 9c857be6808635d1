let pressed = false;

const set = (to: boolean) => () => {
  pressed = to;
};

for (const [type, to] of [
  ['pointerdown', true],
  ['pointerup', false],
  ['pointercancel', false],
  ['dragend', false],
] as const) {
  window.addEventListener(type, set(to), true);
}

/**
 * Does something when the focus comes by keyboard. Focus that a press brings is followed by a
 * click, and what is on the screen must not move between the two, or the click lands elsewhere.
 */
export function byKeyboard<E>(act: (event: E) => void): (event: E) => void {
  return (event) => {
    if (!pressed) act(event);
  };
}
