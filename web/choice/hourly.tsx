import { setSetting, useSettings } from '../state/settings';
import { QuantityField } from '../ui/field';

/** What an hour of the customer's is worth: what pay-back and the cost over the service life go by. */
export function Hourly({ currency }: { currency: string | null }) {
  const hourly = useSettings((s) => s.hourly) ?? 0;
  return (
    <QuantityField
      label={`An hour is worth${currency === null ? '' : `, ${currency}`}`}
      dimension="number"
      optional
      value={hourly || null}
      onValue={(value) => setSetting('hourly', value ?? 0)}
      sx={{ width: 190 }}
    />
  );
}
