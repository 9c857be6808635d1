/** The type of what is dragged from a field sheet onto a page. */
export const DRAGGED = 'application/x-mapsel-field';
