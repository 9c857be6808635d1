import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { Link, NavLink } from 'react-router';
import type { ServiceBrief, Watch } from '@/api/client';
import { servicesQuery, watchesQuery } from '@/api/queries';
import { offersOfTables } from '@/features/tables/queries';
import { count, dayText } from '@/lib/format';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';

/** Something in the list that is led to. */
function Line({ to, name, children }: { to: string; name: string; children: ReactNode }) {
  return (
    <Box
      component={NavLink}
      to={to}
      sx={{
        display: 'block',
        px: 1.5,
        py: 0.75,
        color: 'inherit',
        textDecoration: 'none',
        borderBottom: '1px solid',
        borderBottomColor: 'line',
        borderLeft: '3px solid transparent',
        '&:hover': { bgcolor: 'shallow' },
        '&.active': { borderLeftColor: 'primary.main', bgcolor: 'shallow' },
      }}
    >
      <Typography sx={{ fontWeight: 600 }}>{name}</Typography>
      {children}
    </Box>
  );
}

/** The tables that are offered from here, if any are. */
function OfferedFromHere() {
  const { data } = useQuery(offersOfTables);
  if (!data || data.length === 0) return null;
  return (
    <>
      <Typography variant="h2" sx={{ px: 1.5, pt: 2, pb: 0.5 }}>
        Offered from here
      </Typography>
      {data.map((offer) => (
        <Line key={offer.id} to={`/services/offered/${offer.id}`} name={offer.name}>
          <Typography sx={{ color: 'text.secondary' }} variant="caption" component="div">
            {offer.tables.join(', ')}
            {offer.paused ? ', paused' : offer.keyed ? ', with a key' : ''}
          </Typography>
        </Line>
      ))}
    </>
  );
}

function ServiceLine({ service, watch }: { service: ServiceBrief; watch: Watch | undefined }) {
  const findings = service.errors + service.warnings;
  return (
    <Line to={`/services/${service.id}`} name={service.name}>
      <Typography sx={{ color: 'text.secondary' }} variant="caption" component="div">
        {service.protocols.join(', ')} at {service.host}
      </Typography>
      <Typography sx={{ color: 'text.secondary' }} variant="caption" component="div">
        {count(service.operations, 'operation')}, read {dayText(service.takenAt)}
        {findings > 0 && `, ${count(findings, 'finding')}`}
      </Typography>
      {watch?.edition && (
        <Typography sx={{ color: 'warning.main' }} variant="caption" component="div">
          Its description changed
        </Typography>
      )}
      {watch?.problem && (
        <Typography sx={{ color: 'error.main' }} variant="caption" component="div">
          Its description cannot be read
        </Typography>
      )}
    </Line>
  );
}

/** All services, searchable. */
export function ServiceList() {
  const { data, error, refetch } = useQuery(servicesQuery);
  const watches = useQuery(watchesQuery);
  const [find, setFind] = useState('');
  const wanted = find.toLowerCase();
  const shown = (data ?? []).filter((service) =>
    `${service.name} ${service.host} ${service.protocols.join(' ')}`.toLowerCase().includes(wanted),
  );
  return (
    <Box component="section" aria-label="Services" sx={{ height: '100%', overflow: 'auto' }}>
      <Box sx={{ p: 1.5, display: 'grid', gap: 1 }}>
        <Button component={Link} to="/services" variant="outlined">
          Read a description
        </Button>
        {(data?.length ?? 0) > 5 && (
          <TextField
            placeholder="find a service…"
            value={find}
            onChange={(event) => {
              setFind(event.target.value);
            }}
            slotProps={{ htmlInput: { 'aria-label': 'Find a service' } }}
          />
        )}
      </Box>
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {!data && !error && (
        <Box sx={{ px: 1.5 }}>
          <Waiting what="Fetching the services" />
        </Box>
      )}
      {data?.length === 0 && (
        <Typography sx={{ color: 'text.secondary', px: 1.5 }}>
          No service yet. Give an address on the right to begin.
        </Typography>
      )}
      {shown.map((service) => (
        <ServiceLine
          key={service.id}
          service={service}
          watch={watches.data?.find((one) => one.service === service.id)}
        />
      ))}
      {data && data.length > 0 && shown.length === 0 && (
        <Typography sx={{ color: 'text.secondary', px: 1.5 }}>None matches “{find}”.</Typography>
      )}
      <OfferedFromHere />
    </Box>
  );
}
