import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { usualCurrency } from '@kymar/core/choice';
import { saleIn, type Decoded } from '@kymar/core/catalog/decode';
import { columnsOf, draftBridge, draftCable, draftDrive } from '@kymar/core/catalog/library';
import { linkById } from '@kymar/core/catalog/links';
import { nameOf, type Part, type Price } from '@kymar/core/catalog/parts';
import { writeFact, type Fact } from '@kymar/core/evidence';
import { moneyWords, UNIT_OF } from '@kymar/core/units';
import { newId } from '../state/id';
import { useShop } from '../state/shop';
import { DecodedName } from '../tools/decoder';
import { today } from './history';

/** Kinds of part that a line describes. */
export const LISTED = {
  drives: {
    what: 'A drive',
    of: (text: string, id: string): { part: Part; decoded: Decoded } => {
      const { drive, decoded } = draftDrive(text, id);
      return { part: drive, decoded };
    },
  },
  bridges: { what: 'An enclosure or card', of: draftBridge },
  cables: { what: 'A cable', of: draftCable },
} as const;
export type Listed = keyof typeof LISTED;

/** What a property that is no figure holds. */
type Held = string | number | boolean | string[] | null | undefined;

/** What a part came to, property by property: all that is saved stands here. */
function saved(kind: Listed, part: Part): string {
  return columnsOf(kind)
    .flatMap(({ key, label, holds, dimension = 'count' }) => {
      const value = (part as unknown as Record<string, Held>)[key];
      if (key === 'id' || value === undefined || value === null || value === false) return [];
      if (holds.type === 'fact') {
        const { value: figure } = value as unknown as Fact;
        return figure === null ? [] : [`${label}: ${writeFact(figure, UNIT_OF[dimension])}`];
      }
      if (key === 'modes' || key === 'outer' || key === 'inner')
        return [`${label}: ${(value as string[]).map((id) => linkById(id).name).join(', ')}`];
      return [`${label}: ${value === true ? 'yes' : [value].flat().join(', ')}`];
    })
    .join('; ');
}

/** What a listing asks, as a price of today; null where none stands there, or nobody knows in which currency. */
function pricedIn(kind: Listed, part: Part, decoded: Decoded, usual: string | null): Price | null {
  const sale = saleIn(decoded);
  const currency = sale?.currency ?? usual;
  if (!sale || currency === null) return null;
  return {
    id: newId('price'),
    name: 'name' in part ? part.name : nameOf(part),
    of: `${kind}/${part.id}`,
    on: today(),
    amount: sale.amount,
    currency,
    ...(sale.isUsed ? { sells: 'used' as const } : {}),
  };
}

/** A part made from a pasted listing: what the line says and what is saved of it are shown before it is taken over. */
export function ListingDialog({
  kind,
  take,
  close,
}: {
  kind: Listed;
  take(part: Part, price: Price | null): void;
  close(): void;
}) {
  const [id] = useState(() => newId(kind.slice(0, -1)));
  const [text, setText] = useState('');
  const { part, decoded } = LISTED[kind].of(text, id);
  const { prices } = useShop();
  const price = pricedIn(kind, part, decoded, usualCurrency(prices));
  return (
    <Dialog open onClose={close} maxWidth="md" fullWidth>
      <DialogTitle>{LISTED[kind].what} from its listing</DialogTitle>
      <DialogContent>
        <TextField
          autoFocus
          fullWidth
          multiline
          minRows={2}
          label="Paste the line"
          value={text}
          onChange={(e) => setText(e.target.value.slice(0, 500))}
          sx={{ mt: 1, mb: 1.5 }}
          helperText="What it leaves open stays not known, and can be filled in afterwards."
        />
        <Box sx={{ minHeight: 120 }}>
          <DecodedName found={decoded} />
        </Box>
        {text.trim() !== '' && <Typography sx={{ mt: 1.5 }}>Saved as: {saved(kind, part)}.</Typography>}
        {price && (
          <Typography sx={{ mt: 1 }}>
            With it as a price of today: {moneyWords(price.amount, price.currency)}
            {saleIn(decoded)?.currency === null && ', the currency of most prices here, since none is said'}.
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Cancel</Button>
        <Button variant="contained" disabled={text.trim() === ''} onClick={() => take(part, price)}>
          Add {LISTED[kind].what.toLowerCase().replace(/^an? /, 'the ')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
