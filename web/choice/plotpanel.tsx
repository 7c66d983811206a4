import { Typography } from '@mui/material';
import { Suspense } from 'react';
import { lineSaid } from '@kymar/core/statements';
import { Fold } from '../ui/fold';
import { Told } from '../ui/told';
import { patientLazy } from '../ui/lazy';
import { choose, type Overview } from '../workers';
import { OpeningView } from '../ui/waiting';

const Plot = patientLazy(() => import('./plot'));

/** Cost against time, each build a point, those that nothing beats in both joined. */
export function PlotPanel({
  found,
  chosen,
  currency,
  onChoose,
}: {
  found: Overview;
  chosen: number | null;
  currency: string | null;
  onChoose(id: string): void;
}) {
  const count = found.points.length / 3;
  const choosePoint = (index: number) =>
    void choose.idAt(index).then(
      (id) => id !== null && onChoose(id),
      () => undefined,
    );
  return (
    <Fold name="choice.plotpanel" title="Cost against time" about="which no other beats in both">
      {count === 0 || currency === null ? (
        <Typography variant="body2" color="textSecondary">
          Drawn once prices are known.
        </Typography>
      ) : (
        <Suspense fallback={<OpeningView />}>
          <Plot found={found} chosen={chosen} currency={currency} onChoose={choosePoint} />
          <Typography variant="caption" color="textSecondary" sx={{ mt: 0.5 }}>
            <Told of={lineSaid(count, found.edge.length).line} /> Click a point, or go along the line with the
            arrow keys.
          </Typography>
        </Suspense>
      )}
    </Fold>
  );
}
