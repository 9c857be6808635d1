/** For wire names and messages. */
export const MONO = '"Source Code Pro", ui-monospace, monospace';
