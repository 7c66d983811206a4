import { Button, Typography } from '@mui/material';
import { OldDrive, type Job } from '@kymar/core/job';
import { changeJob } from '../state/jobs';
import { fileName, saveFile } from '../ui/files';
import { SchemaForm } from '../ui/form';
import { Columns, Row, Stack } from '../ui/layout';
import { Fold } from '../ui/fold';

/** The drive that the new one takes over from: how it is, what becomes of it. The checklist's steps follow from that. */
export function OldDrivePanel({ job, device: id }: { job: Job; device: string }) {
  const device = job.devices.find((one) => one.id === id);
  if (!device) return null;
  const { old = {}, ...needs } = device.needs ?? {};
  const set = (next: OldDrive) => {
    const asked = Object.keys(next).length > 0 ? { ...needs, old: next } : needs;
    changeJob(job.id, (j) => ({
      ...j,
      devices: j.devices.map((one) => (one.id === id ? { ...one, needs: asked } : one)),
    }));
  };
  const write = async () => {
    const { oldDriveReceipt, toHtml } = await import('@kymar/core/handover');
    const receipt = oldDriveReceipt(job, device, new Date().toISOString().slice(0, 10));
    if (receipt) saveFile(fileName(`Receipt ${job.title}`, 'html'), toHtml(receipt, 'customer'), 'text/html');
  };
  return (
    <Fold name="setup.olddrive" title="The old drive" about="what becomes of it">
      <Stack>
        <Columns of={2}>
          <SchemaForm<OldDrive> of={OldDrive} values={old} onValues={set} unsaid="not said" />
        </Columns>
        {old.then ? (
          <Row>
            <Button variant="outlined" onClick={() => void write()}>
              Write its receipt
            </Button>
          </Row>
        ) : (
          <Typography variant="caption" color="textSecondary">
            How it is and what becomes of it decide steps of the checklist, and stand in the handover.
          </Typography>
        )}
      </Stack>
    </Fold>
  );
}
