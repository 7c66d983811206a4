import { Box } from '@mui/material';
import { useMemo, useState } from 'react';
import { presetFor, type Weights } from '@kymar/core/choice';
import { useAnswer } from '../state/gate';
import { setSetting, useSettings } from '../state/settings';
import { useShop } from '../state/shop';
import { fileName, saveFile } from '../ui/files';
import { useJob, usePlace } from '../ui/job';
import { Panel } from '../ui/panel';
import type { Closely } from '@kymar/core/choice';
import { choose } from '../workers';
import { AnswersPanel } from './answers';
import { BesidePanel } from './beside';
import { Builds } from './builds';
import { CloselyPanel } from './closely';
import { Owned } from './owned';
import { PlotPanel } from './plotpanel';
import { Ranking } from './ranking';
import { ChoiceHistory } from './records';
import { useSearch } from './search';
import { take } from './take';
import { TogetherPanel } from './together';
import { WhyNotPanel } from './whynot';
import { Stack } from '../ui/layout';

/** As many stand side by side. */
const MOST_BESIDE = 4;
/** As many builds stand in an offer: more is no help to choose. */
const MOST_OFFERED = 3;

/** What to buy: the answer first, then what it was chosen out of. */
export function ChoiceView() {
  const { job } = useJob();
  const at = usePlace();
  const shop = useShop();
  const { device } = at.place;
  const searching = useSearch(job, device, at.build);
  const { found, wanted, turn } = searching;
  const role = at.needs?.role ?? 'any';
  const kept = useSettings((s) => s.weights);
  const own = kept?.[role] ?? null;
  const setOwn = (next: Weights | null) => {
    const { [role]: _, ...others } = kept ?? {};
    setSetting('weights', next === null ? others : { ...others, [role]: next });
  };
  const movesLater = at.needs?.movesLater ?? false;
  const weights = useMemo(() => own ?? presetFor(role, movesLater), [own, role, movesLater]);
  const [chosen, setChosen] = useState<string | null>(null);
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const [called, setCalled] = useState(0);
  const first = found?.answers[0]?.id ?? null;
  const hourly = useSettings((s) => s.hourly) ?? 0;
  const shopHour = useSettings((s) => s.shopHour) ?? 0;
  // The one that was chosen while it is among what was found, else the first answer.
  const ids = [chosen, first].filter((id) => id !== null);
  const { data: close = null, isFresh } = useAnswer(choose.closely(turn, ids, hourly));
  const built = at.build;

  if (wanted === null)
    return (
      <Panel title="Nothing to search for yet" sx={{ maxWidth: 640 }}>
        Describe in the brief what this device does: what is copied, opened or kept, how much and how soon.
      </Panel>
    );
  const onTake = (one: Closely) =>
    found && take(job, [{ candidate: one.candidate, words: one.words, device, found, wanted }], shop);
  // What is looked at first, then those ticked beside it, else the other answers.
  const saveOffer = async (id: string) => {
    const beside = ticked.length > 0 ? ticked : (found?.answers ?? []).map((answer) => answer.id);
    const builds = [...new Set([id, ...beside])].slice(0, MOST_OFFERED);
    saveFile(fileName(`Offer ${job.title}`, 'html'), await choose.offer(job, builds, shopHour), 'text/html');
  };
  const saveOrder = async (id: string) =>
    saveFile(fileName(`Order ${job.title}`, 'html'), await choose.order(job, id), 'text/html');
  return (
    <Stack gap={2}>
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1fr)' },
          alignItems: 'start',
        }}
      >
        <Stack gap={2}>
          <AnswersPanel
            searching={searching}
            wanted={wanted}
            chosen={close?.id ?? null}
            onChoose={setChosen}
          />
        </Stack>
        {close && found ? (
          <CloselyPanel
            one={close}
            wanted={wanted}
            built={built}
            search={at.search}
            isFresh={isFresh}
            job={job}
            onTake={() => onTake(close)}
            onOffer={() => void saveOffer(close.id)}
            onOrder={() => void saveOrder(close.id)}
            onBeside={(levels) => {
              setTicked(levels);
              setCalled((times) => times + 1);
            }}
          />
        ) : (
          <Box />
        )}
      </Box>
      {found && found.works > 0 && (
        <>
          <Box
            sx={{
              display: 'grid',
              gap: 2,
              gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 7fr) minmax(0, 5fr)' },
              alignItems: 'start',
            }}
          >
            <PlotPanel
              found={found}
              chosen={close?.index ?? null}
              currency={wanted.currency}
              onChoose={setChosen}
            />
            <Ranking
              weights={weights}
              role={role}
              movesLater={movesLater}
              onWeights={setOwn}
              isOwn={own !== null}
            />
          </Box>
          <Builds
            turn={turn}
            wanted={wanted}
            weights={weights}
            chosen={close?.id ?? null}
            onChoose={setChosen}
            ticked={ticked}
            onTick={(ids) => setTicked(ids.slice(-MOST_BESIDE))}
          />
          {ticked.length > 1 && (
            <BesidePanel
              ids={ticked}
              wanted={wanted}
              turn={turn}
              hourly={hourly}
              called={called}
              onDrop={setTicked}
            />
          )}
        </>
      )}
      {/* What is found first pushes this far down: nothing here may be pressed before it stands. */}
      {(found || searching.isOver) && (
        <Box
          sx={{
            display: 'grid',
            gap: 2,
            gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 7fr) minmax(0, 5fr)' },
            alignItems: 'start',
          }}
        >
          {found && <WhyNotPanel found={found} turn={turn} />}
          <Stack gap={2}>
            <TogetherPanel key={`${job.id} ${job.devices.length}`} job={job} />
            <Owned job={job} turn={turn} />
            <ChoiceHistory job={job} device={device} />
          </Stack>
        </Box>
      )}
    </Stack>
  );
}
