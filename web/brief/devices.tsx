import { AddIcon } from '../ui/icons';
import { Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { filledIn } from '@kymar/core/evidence';
import {
  addDevice,
  DeviceNeeds,
  deviceName,
  FIRST_PLACE,
  heldByOne,
  removeDevice,
  type Job,
  type JobDevice,
} from '@kymar/core/job';
import { changeJob } from '../state/jobs';
import { EntryScope, forgetEntries, scopeOf } from '../ui/entries';
import { WholeScope } from '../ui/field';
import { Fold } from '../ui/fold';
import { Row } from '../ui/layout';
import { NeedsPanel } from './needs';
import { Which } from './which';

/** The devices of the job, each with its role and its requirements. The first is there before anything is chosen for it. */
export function DevicesPanel({ job }: { job: Job }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const first: JobDevice = { id: FIRST_PLACE.device, name: '', parts: null };
  const list = job.devices.length > 0 ? job.devices : [first];
  const device = list.find((d) => d.id === chosen) ?? list[0]!;
  const set = (part: Partial<JobDevice>) =>
    changeJob(job.id, (j) => ({
      ...j,
      devices: j.devices.some((d) => d.id === device.id)
        ? j.devices.map((d) => (d.id === device.id ? { ...d, ...part } : d))
        : [...j.devices, { ...device, ...part }],
    }));
  const add = () =>
    changeJob(job.id, (j) => {
      const next = addDevice(j.devices.length > 0 ? j : addDevice(j));
      setChosen(next.devices.at(-1)!.id);
      return next;
    });
  const asked = list.flatMap((d) => filledIn(DeviceNeeds, d.needs ?? {}));
  return (
    <Fold
      name="brief.device"
      title={list.length > 1 ? 'What the devices must do' : 'What the device must do'}
      said={asked.length === 0 ? 'nothing special asked' : asked.join(', ')}
    >
      <Row>
        <Box sx={{ flex: 1 }} />
        {list.length > 1 && (
          <Button
            size="small"
            aria-label={`Remove ${deviceName(list, device.id)}`}
            onClick={() => {
              forgetEntries(scopeOf(job.id, 'setup', device.id));
              changeJob(job.id, (j) => removeDevice(j, device.id));
            }}
          >
            Remove
          </Button>
        )}
        <Button size="small" startIcon={<AddIcon />} disabled={list.length >= 40} onClick={add}>
          Add a device
        </Button>
      </Row>
      <Which
        label="Device"
        list={list.map(({ id }) => ({ id, name: deviceName(list, id) }))}
        chosen={device.id}
        onChoose={setChosen}
      />
      <TextField
        fullWidth
        label="Name of the device"
        placeholder={deviceName(list, device.id)}
        value={device.name}
        onChange={(e) => set({ name: e.target.value.slice(0, 120) })}
        slotProps={{ inputLabel: { shrink: true } }}
        sx={{ mb: 1.5 }}
      />
      <EntryScope key={device.id} value={scopeOf(job.id, 'setup', device.id)}>
        <WholeScope value={heldByOne(device)}>
          <NeedsPanel needs={device.needs ?? {}} onNeeds={(needs) => set({ needs })} />
        </WholeScope>
      </EntryScope>
      {job.machines.length > 1 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          On several machines it must work with the systems of all of them.
        </Typography>
      )}
    </Fold>
  );
}
