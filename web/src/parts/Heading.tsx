import Typography from '@mui/material/Typography';
import { createContext, type ReactNode, useContext } from 'react';

/** How many groups with headings of their own are around. */
const Depth = createContext(0);

/** What stands under a heading has headings that are below it. */
export function UnderHeading({ children }: { children: ReactNode }) {
  return <Depth value={useContext(Depth) + 1}>{children}</Depth>;
}

const LEVELS = [
  { component: 'h2', fontSize: 17 },
  { component: 'h3', fontSize: 15.5 },
  { component: 'h4', fontSize: 14 },
] as const;

interface Props {
  words: ReactNode;
  /** Whether something else stands in the same line. */
  inline?: boolean;
}

/** The words over a part, if it has any. */
export function Heading({ words, inline = false }: Props) {
  const { component, fontSize } =
    LEVELS[Math.min(useContext(Depth), LEVELS.length - 1)] ?? LEVELS[0];
  return (
    words !== '' && (
      <Typography variant="h2" component={component} sx={{ fontSize, mb: inline ? 0 : 1 }}>
        {words}
      </Typography>
    )
  );
}
