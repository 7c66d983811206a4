import { Box, Button, TextField, Typography } from '@mui/material';
import { Suspense, useMemo, useState } from 'react';
import { ageOf, historyOf, STALE, unitOf, usualCurrency } from '@kymar/core/choice';
import { nameOf, type PartKind, type Part, type Price } from '@kymar/core/catalog/parts';
import { calendarDay, counted, moneyWords } from '@kymar/core/units';
import { newId } from '../state/id';
import { putParts, useShop } from '../state/shop';
import { QuantityField } from '../ui/field';
import { patientLazy } from '../ui/lazy';
import { OpeningView } from '../ui/waiting';
import { Cells } from '../ui/cells';

const PriceChart = patientLazy(() => import('./pricechart'));

/** The day, ISO. */
export const today = (): string => new Date().toISOString().slice(0, 10);
/** A price's day as a reader writes it. */
const dayWords = (on: string): string => calendarDay(new Date(`${on}T12:00`));

/** What a part cost, where and when: each observation, the newest first, and a new one entered in one line. */
export function PriceHistory({ kind, part }: { kind: Exclude<PartKind, 'prices' | 'hosts'>; part: Part }) {
  const shop = useShop();
  const key = `${kind}/${part.id}`;
  const currencies = useMemo(
    () => [...new Set(shop.prices.filter((p) => p.of === key).map((p) => p.currency))],
    [shop.prices, key],
  );
  return (
    <Box component="section" aria-label="Prices" sx={{ mt: 2 }}>
      <Typography variant="h3" sx={{ mb: 0.5 }}>
        Prices
      </Typography>
      {currencies.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          Nobody has noted a price yet.
        </Typography>
      )}
      {currencies.map((currency) => (
        <InCurrency
          key={currency}
          list={historyOf(shop.prices, currency).get(key) ?? []}
          currency={currency}
        />
      ))}
      <NewPrice of={key} name={nameOf(part)} usual={currencies[0] ?? usualCurrency(shop.prices) ?? 'EUR'} />
    </Box>
  );
}

function InCurrency({ list, currency }: { list: readonly Price[]; currency: string }) {
  const [first] = list;
  const age = first ? ageOf(first, today()) : 0;
  return (
    <>
      {list.length > 1 && (
        <Box sx={{ height: 130, mb: 1 }}>
          <Suspense fallback={<OpeningView />}>
            <PriceChart list={list} currency={currency} />
          </Suspense>
        </Box>
      )}
      {age > STALE && (
        <Typography variant="body2" sx={{ color: 'warning.main', fontWeight: 560, mb: 0.5 }}>
          The newest price in {currency} is {counted(age, 'day')} old: ask again.
        </Typography>
      )}
      <Cells
        of={list.slice(0, 12)}
        keyOf={({ id }) => id}
        sx={{ mb: 1 }}
        columns={({ left, right }) => [
          left('Day', (price) => dayWords(price.on)),
          right('For one', (price) => (
            <>
              {moneyWords(Math.round(unitOf(price) * 100) / 100, currency)}
              {(price.per ?? 1) > 1 && ` (${price.per} for ${moneyWords(price.amount, currency)})`}
            </>
          )),
          left('Seller', (price) => [price.seller, price.sells].filter(Boolean).join(', ')),
        ]}
      />
    </>
  );
}

/** A price of today, in one line. */
function NewPrice({ of, name, usual }: { of: string; name: string; usual: string }) {
  const [amount, setAmount] = useState<number | null>(null);
  const [seller, setSeller] = useState('');
  const keep = () => {
    if (amount === null) return;
    const price: Price = {
      id: newId('price'),
      name: name.slice(0, 120),
      of,
      on: today(),
      amount,
      currency: usual,
      ...(seller.trim() ? { seller: seller.trim() } : {}),
    };
    putParts('prices', [price]);
    setAmount(null);
  };
  return (
    <Box
      sx={{ display: 'grid', gridTemplateColumns: '130px minmax(0, 1fr) auto', gap: 1, alignItems: 'start' }}
    >
      <QuantityField
        label={`Today, ${usual}`}
        dimension="number"
        optional
        value={amount}
        onValue={setAmount}
      />
      <TextField label="Seller" value={seller} onChange={(e) => setSeller(e.target.value.slice(0, 80))} />
      <Button onClick={keep} disabled={amount === null} sx={{ mt: 0.25 }}>
        Note this price
      </Button>
    </Box>
  );
}
