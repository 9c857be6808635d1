import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { OpenApp } from '@/api/client';
import type { Version } from './version';

/** What stands over pages that are not what visitors see now. */
function VersionNote({ version }: { version: Version }) {
  if (version.as === 'VISITOR' && version.release === undefined) return null;
  return (
    <Box
      component="aside"
      aria-label="Which version this is"
      sx={{
        bgcolor: 'shallow',
        borderLeft: '4px solid',
        borderColor: 'comesBack',
        px: 1.5,
        py: 0.5,
        mb: 1.5,
        '@media print': { display: 'none' },
      }}
    >
      {version.as === 'REVIEWER'
        ? 'The draft, as visitors would see it. It calls real services.'
        : `Release ${version.release}, as it was handed over.`}
    </Box>
  );
}

interface Props {
  version: Version;
  view: OpenApp | undefined;
  page?: string;
  children: ReactNode;
}

/** The frame of finished pages: the name of the app, its pages, nothing of the workshop. */
export function VisitFrame({ version, view, page, children }: Props) {
  const listed = view?.pages.filter(({ id, alone }) => alone || id === page) ?? [];
  return (
    <Box sx={{ maxWidth: 980, mx: 'auto', px: { xs: 2, sm: 4 }, py: 2 }}>
      <VersionNote version={version} />
      {view && (
        <Box
          component="nav"
          aria-label={view.name}
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            columnGap: 2.5,
            rowGap: 0.5,
            borderBottom: '1px solid',
            borderColor: 'divider',
            pb: 1,
            mb: 3,
            '@media print': { display: 'none' },
          }}
        >
          <Box
            component={Link}
            to={version.base}
            sx={{ color: 'inherit', textDecoration: 'none', fontWeight: 700 }}
          >
            {view.name}
          </Box>
          {listed.map((one) => (
            <Box
              key={one.id}
              component={Link}
              to={`${version.base}/${one.id}`}
              aria-current={one.id === page ? 'page' : undefined}
              sx={{
                color: 'primary.main',
                textDecoration: one.id === page ? 'underline' : 'none',
              }}
            >
              {one.name}
            </Box>
          ))}
        </Box>
      )}
      <main>{children}</main>
    </Box>
  );
}
