import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { OfferedColumn } from '@/api/client';
import { type WishedColumn, type WishedTable, withColumn } from './model';

const TYPES = {
  TEXT: 'text',
  WHOLE: 'whole number',
  DECIMAL: 'number',
  MONEY: 'money',
  DATE: 'date',
  TIME: 'time',
  DATE_TIME: 'date and time',
  YES_NO: 'yes or no',
} as const satisfies Record<OfferedColumn['type'], string>;

interface Props {
  table: WishedTable;
  onChange: (table: WishedTable) => void;
}

function Row({ one, onChange }: { one: WishedColumn; onChange: (one: WishedColumn) => void }) {
  const { column } = one;
  const header = column.header || column.name;
  const set = (change: Partial<OfferedColumn>) => {
    onChange({ ...one, column: { ...column, ...change } });
  };
  return (
    <Box component="tr" sx={{ opacity: one.on ? 1 : 0.55 }}>
      <td>
        <Checkbox
          size="small"
          checked={one.on}
          slotProps={{ input: { 'aria-label': `Offer ${header}` } }}
          onChange={(_, on) => {
            onChange({ ...one, on });
          }}
          sx={{ p: 0.25 }}
        />
      </td>
      <th scope="row">{header}</th>
      <td>
        <TextField
          value={column.name}
          disabled={!one.on}
          slotProps={{ htmlInput: { 'aria-label': `Name of ${header}`, spellCheck: false } }}
          onChange={(event) => {
            set({ name: event.target.value });
          }}
          sx={{ width: 120 }}
        />
      </td>
      <td>
        <TextField
          select
          value={column.type}
          disabled={!one.on}
          slotProps={{ select: { SelectDisplayProps: { 'aria-label': `What ${header} holds` } } }}
          onChange={(event) => {
            const type = event.target.value as OfferedColumn['type'];
            set({ type, ...(type !== 'TEXT' && { codes: [] }) });
          }}
          sx={{ width: 132 }}
        >
          {Object.entries(TYPES).map(([type, words]) => (
            <MenuItem key={type} value={type}>
              {words}
            </MenuItem>
          ))}
        </TextField>
      </td>
      <td>
        <TextField
          value={column.unit}
          disabled={!one.on || !['WHOLE', 'DECIMAL', 'MONEY'].includes(column.type)}
          slotProps={{ htmlInput: { 'aria-label': `Unit of ${header}` } }}
          onChange={(event) => {
            set({ unit: event.target.value });
          }}
          sx={{ width: 56 }}
        />
      </td>
      <td>
        <Checkbox
          size="small"
          checked={column.key}
          disabled={!one.on}
          slotProps={{ input: { 'aria-label': `${header} tells rows apart` } }}
          onChange={(_, key) => {
            set({ key });
          }}
          sx={{ p: 0.25 }}
        />
      </td>
      <td>
        <Checkbox
          size="small"
          checked={column.key || column.required}
          disabled={!one.on || column.key}
          slotProps={{ input: { 'aria-label': `${header} always has a value` } }}
          onChange={(_, required) => {
            set({ required });
          }}
          sx={{ p: 0.25 }}
        />
      </td>
      <td>
        {column.codes.length > 0 ? (
          <Box sx={{ display: 'flex', gap: 0.5, alignItems: 'center' }}>
            <span>only {column.codes.join(', ')}</span>
            <Box
              component="button"
              type="button"
              onClick={() => {
                set({ codes: [] });
              }}
              sx={{
                all: 'unset',
                cursor: 'pointer',
                color: 'primary.main',
                whiteSpace: 'nowrap',
                '&:focus-visible': { outline: '2px solid', outlineColor: 'primary.main' },
              }}
            >
              any
            </Box>
          </Box>
        ) : (
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {column.reference && `key of ${column.reference.table}: `}
            {one.first.slice(0, 3).join(' · ')}
          </Box>
        )}
      </td>
    </Box>
  );
}

/** The columns of a table: which of them are offered, as what, and what stands in them. */
export function ColumnGrid({ table, onChange }: Props) {
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Box
        component="table"
        aria-label={`Columns of ${table.table.several}`}
        sx={{
          borderCollapse: 'collapse',
          width: '100%',
          '& th': { textAlign: 'left', fontWeight: 600 },
          '& thead th': { color: 'text.secondary', fontSize: 12 },
          '& .MuiInputBase-input': { py: 0.5, minHeight: 0 },
          '& td, & th': { py: 0.25, pr: 1, borderBottom: '1px solid', borderColor: 'line' },
        }}
      >
        <thead>
          <tr>
            <th aria-label="Offered" />
            <th>In the file</th>
            <th>Name</th>
            <th>Holds</th>
            <th>Unit</th>
            <th>Key</th>
            <th>Always</th>
            <th>First values</th>
          </tr>
        </thead>
        <tbody>
          {table.columns.map((one, index) => (
            <Row
              key={index}
              one={one}
              onChange={(changed) => {
                onChange(withColumn(table, index, () => changed));
              }}
            />
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
