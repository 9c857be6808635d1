import Box from '@mui/material/Box';
import ListSubheader from '@mui/material/ListSubheader';
import MenuItem from '@mui/material/MenuItem';
import MenuList from '@mui/material/MenuList';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import type { AppEdit, ChoiceOffer } from '@/api/client';
import { choicesQuery } from '@/api/queries';
import { pathText } from '@/lib/json';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';

interface Props {
  app: string;
  page: string;
  input: string;
  onEdit: (edit: AppEdit) => void;
}

const words = ({ value, words }: ChoiceOffer) =>
  pathText(value) === pathText(words)
    ? pathText(value)
    : `${pathText(value)}, read as ${pathText(words)}`;

/** Operations that return what an input asks for; taking one puts its call on the page. */
export function ChoiceOffers({ app, page, input, onEdit }: Props) {
  const { data, error } = useQuery(choicesQuery(app, page, input));
  return (
    <>
      <MenuList
        dense
        sx={{ maxHeight: 260, overflow: 'auto' }}
        aria-label="Operations that list it"
      >
        <ListSubheader sx={{ lineHeight: '24px', fontSize: 12 }}>
          called when the page is opened
        </ListSubheader>
        {data?.map((offer) => (
          <MenuItem
            key={`${offer.service} ${offer.operation}`}
            title={offer.reasons.join(', ') || undefined}
            onClick={() => {
              const { service, edition, operation, endpoint, rows, value } = offer;
              const what = { service, edition, operation, endpoint, rows, value };
              onEdit({ kind: 'chooseFrom', page, input, ...what, words: offer.words });
            }}
            sx={{ gap: 2, justifyContent: 'space-between' }}
          >
            <span>
              {offer.operationName}
              <Box component="span" sx={{ color: 'text.secondary', fontSize: 12 }}>
                {' '}
                · {offer.serviceName}
              </Box>
            </span>
            <Box component="span" sx={{ color: 'text.secondary' }}>
              {words(offer)}
            </Box>
          </MenuItem>
        ))}
      </MenuList>
      {error && <Problem error={error} />}
      {!data && !error && <Waiting what="Looking for operations that list it" />}
      {data?.length === 0 && (
        <Typography sx={{ color: 'text.secondary', px: 2, pb: 1 }}>
          No operation that was taken returns a list with this in it.
        </Typography>
      )}
    </>
  );
}
