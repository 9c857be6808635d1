/** The type of what is dragged from a field sheet onto a page. */
export const DRAGGED = 'application/x-mapsel-field';

/** The type of what takes a field when it is dropped on its row: a part, or something in it. */
export const TAKING = 'application/x-mapsel-taking';

/** The type of a part that is dragged to another place of its page. */
export const MOVED = 'application/x-mapsel-part';
