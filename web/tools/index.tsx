import { Stack, TwoColumns } from '../ui/layout';
import { CacheFromTotals } from './cache';
import { Converter } from './converter';
import { Decoder } from './decoder';
import { PluggedDevices } from './devices';
import { FormatEndCalculator } from './format';
import { HealthReader } from './health';
import { Loads } from './loads';
import { CacheFromMoments } from './moments';
import { PerFile } from './perfile';
import { RatingEnd } from './rating';

/** What a technician works out by the way: names decoded, units converted, what follows from a few figures. */
export function Tools() {
  return (
    <TwoColumns
      title="Tools"
      about="Type what you see; most take figures from a job and put what they find back into it."
    >
      <Stack gap={2}>
        <Decoder />
        <HealthReader />
        <PluggedDevices />
        <FormatEndCalculator />
        <RatingEnd />
      </Stack>
      <Stack gap={2}>
        <Converter />
        <CacheFromTotals />
        <CacheFromMoments />
        <PerFile />
        <Loads />
      </Stack>
    </TwoColumns>
  );
}
