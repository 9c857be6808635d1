import DarkModeOutlined from '@mui/icons-material/DarkModeOutlined';
import LightModeOutlined from '@mui/icons-material/LightModeOutlined';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import { useColorScheme } from '@mui/material/styles';
import Tooltip from '@mui/material/Tooltip';
import { Link } from 'react-router';
import { SignOut } from '@/features/entry/SignOut';
import type { FrameContent } from '@/ui/frame';
import { GoAnywhere } from './GoAnywhere';
import { PathMenu } from './PathMenu';

function ThemeSwitch() {
  const { mode, setMode } = useColorScheme();
  const dark = mode === 'dark';
  const words = dark ? 'Daylight colours' : 'Night watch colours';
  return (
    <Tooltip title={words}>
      <IconButton
        aria-label={words}
        onClick={() => {
          setMode(dark ? 'light' : 'dark');
        }}
      >
        {dark ? <LightModeOutlined fontSize="small" /> : <DarkModeOutlined fontSize="small" />}
      </IconButton>
    </Tooltip>
  );
}

function Way({ path }: Pick<FrameContent, 'path'>) {
  return (
    <Box
      component="nav"
      aria-label="Where you are"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 0.75,
        minWidth: 0,
        overflow: 'hidden',
        whiteSpace: 'nowrap',
      }}
    >
      {path.map((step, index) => (
        <Box key={index} component="span" sx={{ overflow: 'hidden', textOverflow: 'ellipsis' }}>
          {index > 0 && (
            <Box component="span" sx={{ color: 'text.secondary', mr: 0.75 }}>
              /
            </Box>
          )}
          {step.choices && <PathMenu words={step.words} choices={step.choices} />}
          {step.choices ? null : step.to ? (
            <Box component={Link} to={step.to} sx={{ color: 'inherit' }}>
              {step.words}
            </Box>
          ) : (
            <strong>{step.words}</strong>
          )}
        </Box>
      ))}
    </Box>
  );
}

/** Where one is, the one box to go anywhere, and what can be done here. */
export function TopBar({ content }: { content: FrameContent }) {
  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 2,
        pl: 1.5,
        pr: 1,
        borderBottom: '1px solid',
        borderColor: 'divider',
        bgcolor: 'background.default',
      }}
    >
      <Box
        component={Link}
        to="/services"
        sx={{
          color: 'inherit',
          textDecoration: 'none',
          fontWeight: 700,
          letterSpacing: 0.4,
          flex: 'none',
        }}
      >
        <Box component="span" aria-hidden sx={{ color: 'goesIn' }}>
          ▸
        </Box>
        <Box component="span" aria-hidden sx={{ color: 'comesBack', mr: 0.75 }}>
          ◂
        </Box>
        Mapsel
      </Box>
      <Way path={content.path} />
      <Box sx={{ flex: 1 }} />
      <GoAnywhere />
      {content.tools}
      <ThemeSwitch />
      <SignOut />
    </Box>
  );
}
