import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import Skeleton from '@mui/material/Skeleton';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TableSortLabel from '@mui/material/TableSortLabel';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import type { Intake, OperationBrief, OperationColumns } from '@/api/client';
import { columnsQuery } from '@/api/queries';
import { useGrowing } from '@/ui/Growing';
import { MONO } from '@/ui/fonts';
import { Mark } from '@/ui/Mark';

interface Props {
  edition: string;
  operations: OperationBrief[];
  endpoints: Intake['endpoints'];
  ticked?: ReadonlySet<string>;
  onTick?: (ticked: Set<string>) => void;
  name: (operation: OperationBrief) => ReactNode;
}

type Brief = OperationColumns['goesIn'][number];
const SHOWN = 6;

function Fields({ fields, side }: { fields: Brief[]; side: 'in' | 'out' }) {
  const more = fields.length - SHOWN;
  return (
    <Box component="span" sx={{ fontFamily: MONO, fontSize: 12 }}>
      <Mark side={side} />
      {fields
        .slice(0, SHOWN)
        .map(
          (field) =>
            `${field.name}${field.repeats ? ' ×n' : ''}${side === 'in' && field.required ? '*' : ''}`,
        )
        .join(', ') || '–'}
      {more > 0 && ` and ${more} more`}
    </Box>
  );
}

/** What is read of an operation only when its row comes into view. */
function Columns({
  edition,
  operation,
  endpoints,
}: {
  edition: string;
  operation: OperationBrief;
  endpoints: Intake['endpoints'];
}) {
  const { data, error } = useQuery(columnsQuery(edition, operation.id));
  const waiting = error ? 'could not be read' : <Skeleton width={120} />;
  return (
    <>
      <TableCell>{data ? <Fields fields={data.goesIn} side="in" /> : waiting}</TableCell>
      <TableCell>{data ? <Fields fields={data.comesBack} side="out" /> : waiting}</TableCell>
      <TableCell>{operation.effect}</TableCell>
      <TableCell>
        {[
          ...new Set(
            endpoints.filter((one) => data?.endpoints.includes(one.id)).map((one) => one.protocol),
          ),
        ].join(', ')}
      </TableCell>
    </>
  );
}

/** Operations with what goes in and comes back in short; searchable, sortable, tickable. */
export function OperationTable({ edition, operations, endpoints, ticked, onTick, name }: Props) {
  const [find, setFind] = useState('');
  const [sorted, setSorted] = useState<'asc' | 'desc'>();
  const wanted = find.toLowerCase();
  const found = operations.filter((one) =>
    `${one.name} ${one.documentation}`.toLowerCase().includes(wanted),
  );
  const ordered = sorted
    ? found.toSorted((a, b) => a.name.localeCompare(b.name) * (sorted === 'asc' ? 1 : -1))
    : found;
  const { shown, more } = useGrowing(ordered, 'operation');
  const all = ordered.every((one) => ticked?.has(one.id));
  const tick = (ids: string[], on: boolean) => {
    const next = new Set(ticked);
    ids.forEach((id) => (on ? next.add(id) : next.delete(id)));
    onTick?.(next);
  };
  return (
    <Box sx={{ mt: 1 }}>
      {operations.length > 8 && (
        <TextField
          placeholder="find an operation…"
          value={find}
          onChange={(event) => {
            setFind(event.target.value);
          }}
          slotProps={{ htmlInput: { 'aria-label': 'Find an operation' } }}
          sx={{ mb: 1 }}
        />
      )}
      <Table
        size="small"
        aria-label="Operations"
        sx={{ '& td, & th': { px: 1, py: 0.5, borderColor: 'line', verticalAlign: 'top' } }}
      >
        <TableHead>
          <TableRow>
            {ticked && (
              <TableCell padding="checkbox">
                <Checkbox
                  size="small"
                  sx={{ p: 0 }}
                  checked={all}
                  onChange={(_, on) => {
                    tick(
                      ordered.map((one) => one.id),
                      on,
                    );
                  }}
                  slotProps={{ input: { 'aria-label': 'All operations' } }}
                />
              </TableCell>
            )}
            <TableCell>
              <TableSortLabel
                active={sorted !== undefined}
                direction={sorted ?? 'asc'}
                onClick={() => {
                  setSorted(sorted === 'asc' ? 'desc' : 'asc');
                }}
              >
                Operation
              </TableSortLabel>
            </TableCell>
            <TableCell>Goes in</TableCell>
            <TableCell>Comes back</TableCell>
            <TableCell>Effect</TableCell>
            <TableCell>Over</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {shown.map((one) => (
            <TableRow key={one.id} hover>
              {ticked && (
                <TableCell padding="checkbox">
                  <Checkbox
                    size="small"
                    sx={{ p: 0 }}
                    checked={ticked.has(one.id)}
                    onChange={(_, on) => {
                      tick([one.id], on);
                    }}
                    slotProps={{ input: { 'aria-label': `Take ${one.name}` } }}
                  />
                </TableCell>
              )}
              <TableCell>
                {name(one)}
                <Typography
                  variant="caption"
                  title={one.documentation}
                  sx={{
                    color: 'text.secondary',
                    overflow: 'hidden',
                    display: '-webkit-box',
                    WebkitBoxOrient: 'vertical',
                    WebkitLineClamp: 3,
                  }}
                >
                  {one.documentation}
                </Typography>
              </TableCell>
              <Columns edition={edition} operation={one} endpoints={endpoints} />
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {more}
      {shown.length === 0 && (
        <Typography sx={{ color: 'text.secondary', p: 1 }}>
          No operation matches “{find}”.
        </Typography>
      )}
    </Box>
  );
}
