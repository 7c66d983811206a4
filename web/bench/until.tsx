import { Pick } from '../ui/pick';

export type Until = 'bar' | 'written';

/** What a person's clock was stopped at. The two differ by what the host's memory still holds. */
export const UntilField = ({ value, onValue }: { value: Until; onValue(until: Until): void }) => (
  <Pick
    label="Stopped when"
    value={value}
    options={[
      ['bar', 'the bar was full'],
      ['written', 'safe to eject'],
    ]}
    onValue={onValue}
  />
);
