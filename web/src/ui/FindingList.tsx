import ErrorOutlined from '@mui/icons-material/ErrorOutlined';
import InfoOutlined from '@mui/icons-material/InfoOutlined';
import WarningAmber from '@mui/icons-material/WarningAmber';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Finding } from '@/api/client';
import { pathText } from '@/lib/json';

const LOOK = {
  error: { icon: ErrorOutlined, color: 'error.main', word: 'Error' },
  warning: { icon: WarningAmber, color: 'warning.main', word: 'Warning' },
  note: { icon: InfoOutlined, color: 'comesBack', word: 'Note' },
} as const;

function place(finding: Finding) {
  if (finding.field) return pathText(finding.field);
  if (!finding.document || finding.line === undefined) return finding.document;
  const document = finding.document.split('/').pop();
  return `${document}, line ${finding.line}, column ${finding.column}`;
}

/** More notes than these stand in the way of what comes below them. */
const FEW_NOTES = 3;

function isNote({ severity }: Finding) {
  return severity === 'note';
}

/** What there is to say, with where it is and what to do about it; of many notes the first ones. */
export function FindingList({ findings, label }: { findings: Finding[]; label: string }) {
  const [all, setAll] = useState(false);
  if (findings.length === 0) return null;
  const notes = findings.filter(isNote);
  const more = notes.length > FEW_NOTES ? notes.length - FEW_NOTES + 1 : 0;
  const kept = new Set(notes.slice(0, notes.length - more));
  const shown = all ? findings : findings.filter((one) => !isNote(one) || kept.has(one));
  return (
    <>
      <Rows findings={shown} label={label} />
      {more > 0 && (
        <Button
          size="small"
          aria-expanded={all}
          onClick={() => {
            setAll(!all);
          }}
        >
          {all ? 'fewer notes' : `${more} more notes`}
        </Button>
      )}
    </>
  );
}

function Rows({ findings, label }: { findings: Finding[]; label: string }) {
  return (
    <Box component="ul" aria-label={label} sx={{ listStyle: 'none', p: 0, m: 0 }}>
      {findings.map((finding, index) => {
        const look = LOOK[finding.severity as keyof typeof LOOK];
        const Icon = look.icon;
        return (
          <Box
            component="li"
            key={index}
            sx={{ display: 'flex', gap: 1, py: 0.75, borderTop: '1px solid', borderColor: 'line' }}
          >
            <Icon titleAccess={look.word} sx={{ color: look.color, fontSize: 18, mt: '1px' }} />
            <Box sx={{ minWidth: 0, overflowWrap: 'anywhere' }}>
              <Typography variant="body1">{finding.message}</Typography>
              <Typography sx={{ color: 'text.secondary' }} variant="body2">
                {finding.advice}
                {place(finding) && ` (${place(finding)})`}
              </Typography>
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
