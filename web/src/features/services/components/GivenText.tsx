import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Fragment } from 'react';
import type { FieldView, Operation } from '@/api/client';
import { pathKey } from '@/lib/json';
import { MONO } from '@/ui/fonts';

type Given = NonNullable<Operation['given']>;
type Stretch = Given['body'][number];

interface Props {
  given: Given;
  goesIn: readonly FieldView[];
  onPress: (field: FieldView) => void;
}

/** More than these nobody looks through; the rows below have them all. */
const MOST_STRETCHES = 800;

function Value({
  text,
  field,
  onPress,
}: {
  text: string;
  field: FieldView;
  onPress: Props['onPress'];
}) {
  const parameter = !field.given;
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={parameter}
      aria-label={`${field.name}, ${text || 'empty'}`}
      title={parameter ? `${field.name} is a parameter` : `${field.name} is sent as given`}
      onClick={() => {
        onPress(field);
      }}
      sx={{
        font: 'inherit',
        color: parameter ? 'goesIn' : 'text.primary',
        fontWeight: parameter ? 700 : 400,
        bgcolor: parameter ? 'shallow' : 'transparent',
        border: 0,
        borderBottom: '1px solid',
        borderBottomColor: parameter ? 'goesIn' : 'text.secondary',
        borderBottomStyle: parameter ? 'solid' : 'dotted',
        borderRadius: 0,
        p: 0,
        textAlign: 'left',
        whiteSpace: 'pre-wrap',
        overflowWrap: 'anywhere',
        cursor: 'pointer',
        '&:hover': { bgcolor: 'shallow' },
      }}
    >
      {parameter && '▸'}
      {text || 'empty'}
    </Box>
  );
}

/** The request that an operation is known by. A press on a value makes it a parameter. */
export function GivenText({ given, goesIn, onPress }: Props) {
  const fields = new Map(goesIn.map((field) => [pathKey(field.path), field]));
  const show = (stretches: readonly Stretch[]) =>
    stretches.slice(0, MOST_STRETCHES).map(({ text, path }, index) => {
      const field = path.length === 0 ? undefined : fields.get(pathKey(path));
      return field?.kind === 'scalar' ? (
        <Value key={index} text={text} field={field} onPress={onPress} />
      ) : (
        <Fragment key={index}>{text}</Fragment>
      );
    });
  return (
    <Box component="section" aria-label="The request as it was given" sx={{ px: 2.5, pt: 1 }}>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        Everything is sent as it was given. Press a value that changes from call to call to make it
        a parameter.
      </Typography>
      <Box
        tabIndex={0}
        role="group"
        aria-label="Text of the request"
        sx={{
          mt: 0.5,
          p: 1,
          maxHeight: 168,
          overflow: 'auto',
          border: '1px solid',
          borderColor: 'divider',
          bgcolor: 'background.paper',
          fontFamily: MONO,
          fontSize: 12.5,
          lineHeight: 1.5,
          whiteSpace: 'pre-wrap',
          overflowWrap: 'anywhere',
        }}
      >
        <div>{show(given.address)}</div>
        {given.headers.map((header, index) => (
          <div key={index}>{show(header)}</div>
        ))}
        {given.body.length > 0 && <Box sx={{ mt: 1 }}>{show(given.body)}</Box>}
        {given.body.length > MOST_STRETCHES && (
          <Box sx={{ color: 'text.secondary', fontFamily: 'fontFamily' }}>
            … and more, which the rows below show.
          </Box>
        )}
      </Box>
    </Box>
  );
}
