import type { KeptShareInfo } from '@fanega/contract';
import { useState } from 'react';
import { post } from '../../../data/api';
import { type Farm, useKeptShares, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { useSend } from '../../../data/use-send';
import { dated } from '../../../quantity/time';
import { Button, Problem } from '../../../ui';
import { Section } from '../../../ui/page';
import { OwnersGrainTable, sumsOf } from '../../../widgets/owners-grain';

/** What is this farm's own in the bins of others, by the links that they gave. */
export default function Elsewhere({ farm }: { farm: Farm }) {
  const kept = useKeptShares().data ?? [];
  if (kept.length === 0) return null;
  return (
    <Section title="Yours in other farms’ bins" className="border-t border-ink">
      <ul className="space-y-5">
        {kept.map((one) => (
          <Kept key={one.id} farm={farm} one={one} />
        ))}
      </ul>
    </Section>
  );
}

function Kept({ farm, one }: { farm: Farm; one: KeptShareInfo }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [sure, setSure] = useState(false);
  const drop = async (): Promise<void> => {
    if (!sure) return setSure(true);
    const params = { path: { farmId: farm.id, shareId: one.id } };
    if (await sending.send(() => write(farm.id, post('/api/farms/{farmId}/kept-shares/{shareId}/drop', params)))) await refresh(); // prettier-ignore
  };
  const { share } = one;
  return (
    <li>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h3 className="text-lg">{one.farm}</h3>
        <span className="text-muted">
          {share === null
            ? 'the link has ended or was cut off'
            : `${
                sumsOf(share.grain.lies)
                  .map(({ text }) => text)
                  .join(', ') || 'nothing lies there'
              }, ${dated(share.at, share.timeZone)}`}
        </span>
        <Button look="quiet" className="ml-auto !px-0" disabled={sending.busy} onClick={() => void drop()}>
          {sure ? `Yes, show ${one.farm} no more` : 'Show it no more'}
        </Button>
      </div>
      {share && <OwnersGrainTable grain={share.grain} />}
      <Problem>{sending.message}</Problem>
    </li>
  );
}
