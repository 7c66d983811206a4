import { Pick } from '../../ui/pick';

/** Which way the data goes. */
export function WayField({
  value,
  onValue,
  sx,
  itself,
}: {
  value: string;
  onValue(value: string): void;
  sx: object;
  itself?: boolean;
}) {
  return (
    <Pick
      label="Data goes"
      value={value}
      options={[
        ['write', 'to the drive'],
        ['read', 'from the drive'],
        ...(itself ? [['itself', 'from the drive to itself'] as const] : []),
      ]}
      onValue={onValue}
      sx={sx}
    />
  );
}
