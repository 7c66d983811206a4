import type { ToldCause } from '@kymar/core/diagnosis';
import { pricing, usualCurrency } from '@kymar/core/choice';
import { nameOf } from '@kymar/core/catalog/parts';
import type { Job } from '@kymar/core/job';
import { useSettings } from '../../state/settings';
import { useShop } from '../../state/shop';

/** What the part that a fix takes costs, as it was last noted; empty where none is taken, or no price is known. */
export function usePrice(job: Job, takes: ToldCause['takes']): string {
  const shop = useShop();
  const rates = useSettings((s) => s.rates);
  if (takes === null) return 'It costs nothing but the time.';
  const [device] = job.devices;
  const cable = job.connections.find((c) => c.cable)?.cable;
  const part =
    takes === 'cable' ? cable : takes === 'enclosure' ? device?.parts?.bridge : device?.parts?.drive;
  if (!part) return '';
  const kind = takes === 'cable' ? 'cables' : takes === 'enclosure' ? 'bridges' : 'drives';
  const currency = job.budget?.currency ?? usualCurrency(shop.prices);
  if (!currency) return '';
  const found = pricing(shop.prices, currency, rates).get(`${kind}/${part.id}`);
  return found
    ? `Another ${nameOf(part)} costs ${Math.round(found.each)} ${currency}, noted ${found.by.on}.`
    : `What another ${nameOf(part)} costs is not noted.`;
}
