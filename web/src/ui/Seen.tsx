import Box from '@mui/material/Box';
import { type ReactNode, useEffect, useRef, useState } from 'react';

interface Props {
  width: number;
  height: number;
  children: ReactNode;
}

/** Shows what costs something only once its place comes into view. */
export function Seen({ width, height, children }: Props) {
  const place = useRef<HTMLElement>(null);
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    if (seen || !place.current) return;
    const observer = new IntersectionObserver(
      (entries) => {
        if (entries.some((entry) => entry.isIntersecting)) setSeen(true);
      },
      { rootMargin: '200px' },
    );
    observer.observe(place.current);
    return () => {
      observer.disconnect();
    };
  }, [seen]);
  return (
    <Box ref={place} sx={{ width, height }}>
      {seen && children}
    </Box>
  );
}
