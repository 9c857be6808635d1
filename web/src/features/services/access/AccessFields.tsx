import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { AccessForm } from '@/api/client';
import { base64 } from '@/lib/files';
import { FileButton } from '@/ui/FileButton';
import { Row, SecretText, Text, Tick } from './inputs';
import { loginOf, LOGINS, NOBODY } from './model';

interface Props {
  form: AccessForm;
  onChange: (form: AccessForm) => void;
}

function Login({ form, onChange }: Props) {
  const { login } = form;
  const change = (changed: Partial<AccessForm['login']>) => {
    onChange({ ...form, login: { ...login, ...changed } });
  };
  const chosen = loginOf(login.kind);
  return (
    <Row title="Who calls">
      <TextField
        select
        label="Login"
        value={login.kind}
        onChange={(event) => {
          onChange({ ...form, login: { ...NOBODY.login, kind: event.target.value } });
        }}
        sx={{ width: 260 }}
      >
        {LOGINS.map((one) => (
          <MenuItem key={one.kind} value={one.kind}>
            {one.words}
          </MenuItem>
        ))}
      </TextField>
      {(login.kind === 'basic' || login.kind === 'digest') && (
        <Text
          label="User"
          value={login.user}
          onChange={(user) => {
            change({ user });
          }}
        />
      )}
      {login.kind === 'apiKey' && (
        <Text
          label="Name of the header or parameter"
          width={240}
          value={login.name}
          onChange={(name) => {
            change({ name });
          }}
        />
      )}
      {login.kind === 'client' && (
        <>
          <Text
            label="Address for tokens"
            width={320}
            value={login.tokens}
            onChange={(tokens) => {
              change({ tokens });
            }}
          />
          <Text
            label="Client"
            value={login.user}
            onChange={(user) => {
              change({ user });
            }}
          />
        </>
      )}
      {chosen.secret !== '' && (
        <SecretText
          label={chosen.secret}
          kept={login.hasSecret}
          value={login.secret}
          onChange={(secret) => {
            change({ secret });
          }}
        />
      )}
      {login.kind === 'client' && (
        <Text
          label="Scope (optional)"
          value={login.scope}
          onChange={(scope) => {
            change({ scope });
          }}
        />
      )}
      {login.kind === 'apiKey' && (
        <Tick
          label="in the address"
          checked={login.inQuery}
          onChange={(inQuery) => {
            change({ inQuery });
          }}
        />
      )}
    </Row>
  );
}

function Headers({ form, onChange }: Props) {
  const put = (at: number, changed: Partial<AccessForm['headers'][number]>) => {
    onChange({
      ...form,
      headers: form.headers.map((one, index) => (index === at ? { ...one, ...changed } : one)),
    });
  };
  return (
    <Row title="Headers">
      {form.headers.map((header, index) => (
        <Box key={index} sx={{ display: 'flex', gap: 1, width: '100%' }}>
          <Text
            label="Name"
            value={header.name}
            onChange={(name) => {
              put(index, { name });
            }}
          />
          <SecretText
            label="Value"
            width={260}
            kept={header.hasValue}
            value={header.value}
            onChange={(value) => {
              put(index, { value });
            }}
          />
          <Button
            onClick={() => {
              onChange({ ...form, headers: form.headers.filter((_, at) => at !== index) });
            }}
          >
            Remove
          </Button>
        </Box>
      ))}
      <Button
        onClick={() => {
          onChange({ ...form, headers: [...form.headers, { name: '', hasValue: false }] });
        }}
      >
        Add a header
      </Button>
    </Row>
  );
}

function Addressing({ form, onChange }: Props) {
  return (
    <Row title="WS-Addressing">
      <TextField
        select
        label="Sent"
        value={form.addressing}
        onChange={(event) => {
          onChange({ ...form, addressing: event.target.value });
        }}
        sx={{ width: 230 }}
      >
        <MenuItem value="asDescribed">as the description says</MenuItem>
        <MenuItem value="always">always</MenuItem>
        <MenuItem value="never">never</MenuItem>
      </TextField>
    </Row>
  );
}

function Security({ form, onChange }: Props) {
  const { security } = form;
  const change = (changed: Partial<NonNullable<typeof security>>) => {
    if (security) onChange({ ...form, security: { ...security, ...changed } });
  };
  return (
    <Row title="WS-Security">
      <Tick
        label="User name"
        checked={security !== undefined}
        onChange={(wanted) => {
          const { security: none, ...rest } = form;
          onChange(
            wanted && !none
              ? {
                  ...form,
                  security: { user: '', digest: true, timestamp: true, hasPassword: false },
                }
              : rest,
          );
        }}
      />
      {security && (
        <>
          <Text
            label="User"
            value={security.user}
            onChange={(user) => {
              change({ user });
            }}
          />
          <SecretText
            label="Password"
            kept={security.hasPassword}
            value={security.password}
            onChange={(password) => {
              change({ password });
            }}
          />
          <Tick
            label="as a digest"
            checked={security.digest}
            onChange={(digest) => {
              change({ digest });
            }}
          />
          <Tick
            label="with a timestamp"
            checked={security.timestamp}
            onChange={(timestamp) => {
              change({ timestamp });
            }}
          />
        </>
      )}
    </Row>
  );
}

function Certificates({ form, onChange }: Props) {
  const { certificate } = form;
  return (
    <Row title="Certificates">
      <FileButton
        label="Client certificate"
        accept=".p12,.pfx"
        onFile={(file) => {
          void base64(file).then((text) => {
            onChange({ ...form, certificate: { file: text, hasFile: true } });
          });
        }}
      >
        {certificate?.file || certificate?.hasFile
          ? 'Replace the client certificate…'
          : 'Client certificate (.p12)…'}
      </FileButton>
      {certificate && (
        <>
          <SecretText
            label="Its password"
            kept={certificate.hasFile && certificate.file === undefined}
            value={certificate.password}
            onChange={(password) => {
              onChange({ ...form, certificate: { ...certificate, password } });
            }}
          />
          <Button
            onClick={() => {
              const { certificate: gone, ...rest } = form;
              onChange(gone ? rest : form);
            }}
          >
            Remove
          </Button>
        </>
      )}
      <TextField
        multiline
        maxRows={4}
        fullWidth
        label="Certificates of private authorities (PEM)"
        value={form.trusted ?? ''}
        onChange={(event) => {
          onChange({ ...form, trusted: event.target.value });
        }}
      />
    </Row>
  );
}

function Proxy({ form, onChange }: Props) {
  const proxy = form.proxy ?? { host: '', port: 0, hasPassword: false };
  const change = (changed: Partial<typeof proxy>) => {
    const next = { ...proxy, ...changed };
    const { proxy: gone, ...rest } = form;
    const empty = next.host === '' && next.port === 0;
    onChange(empty && (gone ?? true) ? rest : { ...form, proxy: next });
  };
  return (
    <Row title="Proxy">
      <Text
        label="Host"
        value={proxy.host}
        onChange={(host) => {
          change({ host });
        }}
      />
      <Text
        label="Port"
        width={90}
        value={proxy.port === 0 ? '' : String(proxy.port)}
        onChange={(port) => {
          change({ port: Number.parseInt(port, 10) || 0 });
        }}
      />
      <Text
        label="User"
        value={proxy.user}
        onChange={(user) => {
          change({ user });
        }}
      />
      <SecretText
        label="Password"
        kept={proxy.hasPassword}
        value={proxy.password}
        onChange={(password) => {
          change({ password });
        }}
      />
    </Row>
  );
}

/** Everything that it may take to reach an endpoint; messages of SOAP may carry more than others. */
export function AccessFields({ soap = true, ...props }: Props & { soap?: boolean }) {
  return (
    <Box>
      <Login {...props} />
      {soap && <Security {...props} />}
      {soap && <Addressing {...props} />}
      <Headers {...props} />
      <Certificates {...props} />
      <Proxy {...props} />
    </Box>
  );
}
