import Box from '@mui/material/Box';
import { useRef } from 'react';
import type { FrameView } from '@/api/client';

type Width = FrameView['width'];

const STEPS: [Width, number][] = [
  ['THIRD', 1 / 3],
  ['HALF', 1 / 2],
  ['TWO_THIRDS', 2 / 3],
  ['FULL', 1],
];

/** The width that comes nearest to a share of the line. */
export function nearest(part: number): Width {
  const [width] = STEPS.reduce((best, step) =>
    Math.abs(step[1] - part) < Math.abs(best[1] - part) ? step : best,
  );
  return width;
}

interface Props {
  /** The part would be so wide. */
  onTry: (width: Width | undefined) => void;
  onResize: (width: Width) => void;
}

/** The right edge of a part, to be dragged; by keyboard the width is chosen in the strip. */
export function ResizeEdge({ onTry, onResize }: Props) {
  const edge = useRef<HTMLDivElement>(null);
  const widthAt = (x: number): Width | undefined => {
    const place = edge.current?.parentElement;
    const line = place?.parentElement;
    if (!place || !line) return undefined;
    return nearest((x - place.getBoundingClientRect().left) / line.clientWidth);
  };
  return (
    <Box
      ref={edge}
      aria-hidden
      title="Drag to change the width"
      onPointerDown={(event) => {
        event.preventDefault();
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => {
        if (event.currentTarget.hasPointerCapture(event.pointerId)) onTry(widthAt(event.clientX));
      }}
      onPointerUp={(event) => {
        if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
        event.currentTarget.releasePointerCapture(event.pointerId);
        const width = widthAt(event.clientX);
        if (width) onResize(width);
      }}
      onPointerCancel={() => {
        onTry(undefined);
      }}
      onClick={(event) => {
        event.stopPropagation();
      }}
      sx={{
        position: 'absolute',
        top: 0,
        bottom: 0,
        right: -6,
        width: 8,
        cursor: 'ew-resize',
        touchAction: 'none',
        borderRight: '2px solid transparent',
        '&:hover': { borderColor: 'primary.main' },
      }}
    />
  );
}
