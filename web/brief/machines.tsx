import { Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { addMachine, placesOf, removeMachine, withHost, type Job, type JobMachine } from '@kymar/core/job';
import { withSystem, type Host } from '@kymar/core/catalog/parts';
import { changeJob } from '../state/jobs';
import { useShop } from '../state/shop';
import { EntryScope, forgetEntries, scopeOf } from '../ui/entries';
import { FactField, NameField, QuantityField } from '../ui/field';
import { counted } from '@kymar/core/units';
import { More } from '../ui/fold';
import { HostMenu } from '../ui/hostmenu';
import { Panel } from '../ui/panel';
import { PartSheet } from '../ui/sheet';
import { NewMachine } from './newmachine';
import { PortsPanel } from './ports';
import { isDrawn } from './sides';
import { Pick } from '../ui/pick';
import { Which } from './which';
import { Columns } from '../ui/layout';

const USE: Record<JobMachine['use'], string> = {
  customer: 'The customer’s own',
  also: 'Must also work here',
  bench: 'The shop’s bench',
};
/** The machines of the job: whose each is, and all that is known of it. */
export function Machines({ job }: { job: Job }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const [describing, setDescribing] = useState(false);
  const machine = job.machines.find((m) => m.id === chosen) ?? job.machines[0];
  const add = (host: Host) =>
    changeJob(job.id, (j) => {
      const next = addMachine(j, host);
      setChosen(next.machines.at(-1)!.id);
      return next;
    });
  if (!machine || describing)
    return (
      <Panel title="2. On which machine?">
        <NewMachine
          onHost={(host) => {
            setDescribing(false);
            add(host);
          }}
          {...(machine && { onCancel: () => setDescribing(false) })}
        />
      </Panel>
    );
  return (
    <Panel
      title="2. On which machine?"
      aside={
        <>
          {job.machines.length > 1 && (
            <Button
              size="small"
              aria-label={`Remove ${machine.host.name}`}
              onClick={() => {
                forgetEntries(scopeOf(job.id, 'setup', machine.id));
                changeJob(job.id, (j) => removeMachine(j, machine.id));
              }}
            >
              Remove
            </Button>
          )}
          <HostMenu
            label="Add a machine"
            disabled={job.machines.length >= 20}
            onHost={add}
            onDescribe={() => setDescribing(true)}
          />
        </>
      }
    >
      <Which
        label="Machine"
        list={job.machines.map(({ id, host }) => ({ id, name: host.name }))}
        chosen={machine.id}
        onChoose={setChosen}
      />
      <EntryScope key={machine.id} value={scopeOf(job.id, 'setup', machine.id)}>
        <Machine job={job} machine={machine} />
      </EntryScope>
    </Panel>
  );
}

function Machine({ job, machine }: { job: Job; machine: JobMachine }) {
  const { host } = machine;
  const { hosts } = useShop();
  const set = (part: Partial<JobMachine>) =>
    changeJob(job.id, (j) => ({
      ...j,
      machines: j.machines.map((m) => (m.id === machine.id ? { ...m, ...part } : m)),
    }));
  const setHost = (next: Host) => changeJob(job.id, (j) => withHost(j, machine.id, next));
  const hasWork = placesOf(job).some((place) => place.machine === machine.id);
  const isShops = hosts.some((h) => h.id === host.id);
  // Nothing is known of it yet but that it has a port.
  const isBare = !isShops && host.ports.length === 1;
  const used = job.connections.filter((c) => c.machine === machine.id).map((c) => c.port);
  return (
    <>
      <Columns of={2} gap={1.75}>
        <Pick
          label="Start from"
          value={isShops ? host.id : ''}
          options={[
            ...(isShops ? [] : [['', host.name] as const]),
            ...hosts.map(({ id, name }) => [id, name] as const),
          ]}
          onValue={(v) => v && setHost(hosts.find((h) => h.id === v)!)}
          helperText="Takes over its ports and built-in drive"
        />
        <TextField
          label="System in use"
          value={host.system}
          onChange={(e) => setHost(withSystem(host, e.target.value.slice(0, 120)))}
          helperText={systemWords(host)}
        />
      </Columns>
      <Box sx={{ mt: 1 }}>
        <More
          name="brief.machine"
          title="Ports, drive and the rest of it"
          said={`${counted(host.ports.length, 'port or slot', 'ports and slots')}; ${host.storage.name}`}
          usual={isBare}
        >
          <Box sx={{ mt: 1.5 }}>
            <Columns of={2} gap={1.75}>
              <NameField label="Name" value={host.name} onName={(name) => setHost({ ...host, name })} />
              <Pick
                label="Whose it is"
                value={machine.use}
                words={USE}
                onValue={(v) => set({ use: v })}
                helperText={
                  machine.use === 'also' && !hasWork
                    ? 'Counts once an activity is done on it: add one, with this machine.'
                    : undefined
                }
              />
              <NameField
                label="Built-in drive"
                value={host.storage.name}
                onName={(name) => setHost({ ...host, storage: { ...host.storage, name } })}
              />
              <QuantityField
                label="Ambient temperature"
                dimension="temperature"
                optional
                value={machine.ambient ?? null}
                onValue={(v) => set({ ambient: v === null ? undefined : Math.min(v, 80) })}
                placeholder="not asked"
              />
              <Pick
                label="NVMe boot"
                value={host.startsNvme === undefined ? '' : host.startsNvme ? 'yes' : 'no'}
                options={[
                  ['', 'not known'],
                  ['yes', 'yes'],
                  ['no', 'no'],
                ]}
                onValue={(said) => {
                  const { startsNvme: _, ...rest } = host;
                  setHost(said === '' ? rest : { ...rest, startsNvme: said === 'yes' });
                }}
              />
              <FactField
                label="It reads at"
                dimension="rate"
                fact={host.storage.read}
                onFact={(read) => setHost({ ...host, storage: { ...host.storage, read } })}
              />
              <FactField
                label="It writes at"
                dimension="rate"
                fact={host.storage.write}
                onFact={(write) => setHost({ ...host, storage: { ...host.storage, write } })}
              />
            </Columns>
            <Typography variant="h3" sx={{ mt: 2, mb: 0.75 }}>
              Ports and slots
            </Typography>
            <PortsPanel host={host} used={used} drawn={isBare || isDrawn(host)} onHost={setHost} />
            <Deeper host={host} onHost={setHost} />
          </Box>
        </More>
      </Box>
    </>
  );
}

/** What was understood of the system that was typed. */
function systemWords({ system, systems = [] }: Host): string {
  const [first] = systems;
  if (!first) return system.trim() === '' ? 'Windows 7, macOS 14, Linux …' : 'No system the rules know';
  const name = first.family === 'own' ? 'the machine’s own system' : first.family;
  return `Read as ${[name, first.version].filter(Boolean).join(' ')}`;
}

/** The rest of what is known of the machine: systems, firmware, uplinks, other ends, each port whole. Folded away until asked for. */
function Deeper({ host, onHost }: { host: Host; onHost(host: Host): void }) {
  const [open, setOpen] = useState(false);
  return (
    <Box sx={{ mt: 1.5 }}>
      <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Less of the machine' : 'More of the machine: systems, uplinks, other ends'}
      </Button>
      {open && (
        <Box sx={{ mt: 1.5 }}>
          <PartSheet kind="hosts" part={host} onPart={onHost} without={['name', 'system', 'startsNvme']} />
        </Box>
      )}
    </Box>
  );
}
