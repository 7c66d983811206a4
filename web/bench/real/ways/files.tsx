import { sizesOfFiles } from '@kymar/core/measure';
import { QuantityField } from '../../../ui/field';
import { isIn, type Choices, type MeasuringWay } from './way';

/** What is asked for, in whole files; null while something is missing or out of range. */
function asked({ files, median, spread }: Choices) {
  if (!isIn(files, 10, 50_000) || !isIn(median, 1, 1e10) || !isIn(spread, 1, 100)) return null;
  return { files: Math.round(files), median, spread };
}

const total = (chosen: Choices): number | null => {
  const of = asked(chosen);
  return of && sizesOfFiles(of).reduce((sum, size) => sum + size, 0);
};

/** Many small files. */
export const FILES: MeasuringWay = {
  label: 'Many small files, then read back',
  start: 'Start the run',
  Fields: ({ chosen, choose }) => (
    <>
      <QuantityField
        label="Files"
        dimension="count"
        value={chosen.files}
        onValue={(files) => choose({ files })}
      />
      <QuantityField
        label="Each about"
        dimension="bytes"
        value={chosen.median}
        onValue={(median) => choose({ median })}
      />
      <QuantityField
        label="Scatter by a factor of"
        dimension="number"
        value={chosen.spread}
        onValue={(spread) => choose({ spread })}
      />
    </>
  ),
  says:
    'Half of the files are smaller, half larger; one in six lies beyond that factor on either side. Written one after another ' +
    'until all is on the drive, then read back. Beside one large file of the same size it tells what each file costs. Removed afterwards.',
  writes: total,
  request: (chosen, { target }) => {
    const of = asked(chosen);
    return of && total(chosen)! <= target.room
      ? { kind: 'files', target: target.id, ...of, back: true }
      : null;
  },
};
