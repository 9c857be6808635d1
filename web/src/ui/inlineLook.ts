/** Words in a line that can be pressed to change them. */
export const inlineLook = {
  font: 'inherit',
  color: 'inherit',
  textAlign: 'left',
  background: 'none',
  border: 0,
  borderBottom: '1px dotted',
  borderColor: 'primary.main',
  padding: 0,
  minWidth: 40,
  maxWidth: '100%',
  overflow: 'hidden',
  textOverflow: 'ellipsis',
  whiteSpace: 'nowrap',
  cursor: 'pointer',
} as const;
