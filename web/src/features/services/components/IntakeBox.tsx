import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type DragEvent, useRef, useState } from 'react';
import type { AccessForm } from '@/api/client';
import { AccessFields } from '../access/AccessFields';
import { NOBODY } from '../access/model';
import type { Given } from '../intake';
import { RequestForm } from './RequestForm';
import { droppedFiles } from '@/lib/dropped';

interface Props {
  busy: boolean;
  /** Whether the far side has asked who calls. */
  asked: boolean;
  onRead: (given: Given) => void;
}

/** What a text is, as far as its start tells. */
function kindOf(source: string) {
  const text = source.trim();
  if (text === '') return '';
  if (/^https?:\/\//i.test(text)) return 'an address';
  if (/^(\$ )?curl\s/.test(text)) return 'a sample request of curl';
  if (/^[A-Z]{3,10} \S+/.test(text)) return 'a sample request as it goes over the wire';
  if (/^[<{]/.test(text) || /^\S+:/m.test(text)) return 'the text of a description';
  return 'no address, description or sample yet: an address starts with http:// or https://';
}

/** One box that takes an address, files or pasted text, and says at once what it is. */
export function IntakeBox({ busy, asked, onRead }: Props) {
  const [opened, setOpened] = useState(false);
  const [access, setAccess] = useState<AccessForm>(NOBODY);
  const [filling, setFilling] = useState(false);
  const withAccess = opened || asked;
  const [source, setSource] = useState('');
  const [over, setOver] = useState(false);
  const [unread, setUnread] = useState(false);
  const files = useRef<HTMLInputElement>(null);
  const give = (list: File[]) => {
    if (list.length > 0) onRead({ source: '', files: list });
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    setUnread(false);
    void droppedFiles(event.dataTransfer).then(give, () => {
      setUnread(true);
    });
  };
  const kind = kindOf(source);
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        if (source.trim() !== '') {
          onRead({ source, files: [], ...(withAccess && { access }) });
        }
      }}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => {
        setOver(false);
      }}
      onDrop={drop}
      sx={{
        display: 'grid',
        gridTemplateColumns: '1fr auto auto',
        gap: 1,
        alignItems: 'start',
        mb: 2,
        p: 1,
        mx: -1,
        borderRadius: '4px',
        outline: over ? '2px dashed' : 'none',
        outlineColor: 'primary.main',
      }}
    >
      <TextField
        autoFocus
        multiline
        maxRows={8}
        fullWidth
        value={source}
        onChange={(event) => {
          setSource(event.target.value);
          setUnread(false);
        }}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || event.shiftKey) return;
          event.preventDefault();
          event.currentTarget.closest('form')?.requestSubmit();
        }}
        placeholder="http://…"
        error={unread}
        helperText={
          unread
            ? 'The browser could not read what was dropped. Choose the files instead.'
            : kind === ''
              ? 'An address, or paste a description or a sample request'
              : `This is ${kind}.`
        }
        slotProps={{
          htmlInput: { 'aria-label': 'Address or text of a description', spellCheck: false },
        }}
      />
      <Button
        type="submit"
        variant="contained"
        disabled={busy || source.trim() === ''}
        sx={{ height: 37 }}
      >
        Read
      </Button>
      <Button
        variant="outlined"
        disabled={busy}
        sx={{ height: 37 }}
        onClick={() => files.current?.click()}
      >
        Choose files…
      </Button>
      <input
        ref={files}
        type="file"
        multiple
        hidden
        accept=".wsdl,.xsd,.xml,.edmx,.json,.yaml,.yml,.har,.txt,.zip,.csv,.tsv,.xlsx,.ods"
        aria-label="Description files"
        onChange={(event) => {
          give([...(event.target.files ?? [])]);
          event.target.value = '';
        }}
      />
      <Box sx={{ gridColumn: '1 / -1' }}>
        <Button
          aria-expanded={withAccess}
          onClick={() => {
            setOpened(!withAccess);
          }}
        >
          {withAccess ? 'What it takes to reach it' : 'With credentials, a proxy or certificates…'}
        </Button>
        <Button
          aria-expanded={filling}
          onClick={() => {
            setFilling(!filling);
          }}
        >
          {filling ? 'A request, field by field' : 'Fill in a request…'}
        </Button>
        {withAccess && <AccessFields form={access} onChange={setAccess} />}
        {filling && (
          <RequestForm
            busy={busy}
            onRead={(text) => {
              onRead({ source: text, files: [], ...(withAccess && { access }) });
            }}
          />
        )}
      </Box>
    </Box>
  );
}
