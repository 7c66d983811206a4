import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { PRESSES, thumbOf } from '@kymar/core/measure';
import { setSetting, useSettings } from '../state/settings';
import { inMs } from '../ui/figure';
import { Row } from '../ui/layout';

/** s a bar takes to fill, and the share of it where it is to be pressed. */
const FILLS = 2.4;
const MARK = 0.75;
const TRIES = PRESSES + 2;

/** How well a time by thumb is known: as usual, or by this person's own test. */
export function ThumbLine() {
  const thumb = useSettings((s) => s.thumb);
  const [open, setOpen] = useState(false);
  return (
    <Row align="center">
      <Typography variant="caption" color="textSecondary" sx={{ flex: 1 }} data-typed>
        {thumb
          ? `Your thumb: ${thumb.lag === 0 ? '' : `${inMs(thumb.lag)} late, `}± ${inMs(thumb.spread)} a press.`
          : 'A press is taken to be good to ± 100 ms.'}
      </Typography>
      <Button size="small" onClick={() => setOpen(true)}>
        Test my thumb
      </Button>
      {open && <ThumbTest close={() => setOpen(false)} />}
    </Row>
  );
}

/** A bar that fills; Space when it reaches the mark, a few times. */
function ThumbTest({ close }: { close(): void }) {
  const bar = useRef<HTMLDivElement>(null);
  const began = useRef(0);
  const [late, setLate] = useState<readonly number[]>([]);
  const done = late.length >= TRIES;
  useEffect(() => {
    if (done) return;
    began.current = performance.now();
    let frame = 0;
    const draw = (now: number) => {
      const share = (now - began.current) / 1000 / FILLS;
      if (bar.current) bar.current.style.width = `${Math.min(1, share) * 100}%`;
      // Missed: the bar begins anew.
      if (share > 1.2) began.current = now;
      frame = requestAnimationFrame(draw);
    };
    frame = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(frame);
  }, [late, done]);
  const press = (at: number) => {
    const off = (at - began.current) / 1000 - FILLS * MARK;
    // A press before the bar was half full was meant for something else.
    if (!done && off > -FILLS * 0.25) setLate([...late, off]);
  };
  const found = done ? thumbOf(late) : null;
  return (
    <Dialog
      open
      onClose={close}
      maxWidth="xs"
      fullWidth
      onKeyDown={(e) => {
        if (e.key !== ' ' || e.repeat || done) return;
        e.preventDefault();
        press(e.timeStamp);
      }}
    >
      <DialogTitle>Test my thumb</DialogTitle>
      <DialogContent>
        <Typography variant="body2" sx={{ mb: 1.5 }} role="status">
          {found
            ? `You press ${inMs(found.lag)} late, good to ± ${inMs(found.spread)}. ` +
              'The lag cancels between start and stop; the rest is the error of your times.'
            : `Press Space, or the bar, when it reaches the mark: ${late.length} of ${TRIES}.`}
        </Typography>
        {!found && (
          <Box
            role="button"
            aria-label="The bar"
            tabIndex={0}
            onPointerDown={(e) => press(e.timeStamp)}
            sx={{
              position: 'relative',
              height: 56,
              bgcolor: 'sunken',
              borderRadius: 1,
              overflow: 'hidden',
              cursor: 'pointer',
            }}
          >
            <Box ref={bar} sx={{ height: '100%', width: 0, bgcolor: 'channel' }} />
            <Box
              sx={{
                position: 'absolute',
                top: 0,
                bottom: 0,
                left: `${MARK * 100}%`,
                width: 3,
                bgcolor: 'measured',
              }}
            />
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Cancel</Button>
        {found && (
          <Button
            variant="contained"
            autoFocus
            onClick={() => {
              setSetting('thumb', found);
              close();
            }}
          >
            Use it
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
