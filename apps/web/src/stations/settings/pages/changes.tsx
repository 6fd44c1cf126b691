import type { AuditLine } from '@fanega/contract';
import { useMemo } from 'react';
import { type Farm, useAudit, useRole } from '../../../data/farm';
import { Empty } from '../../../ui';
import { QueryBoundary } from '../../../ui/query-boundary';
import { type Column, DataTable } from '../../../ui/table';
import { momentColumn, wordColumn } from '../../../widgets/columns';

/** Who changed what of the farm beside the grain, newest first; the list's own CSV is the export. */
export default function Changes({ farm }: { farm: Farm }) {
  const role = useRole();
  if (role !== 'manager' && role !== 'owner') return <Empty title="A manager sees who changed what." />;
  return <Lines farm={farm} />;
}

function Lines({ farm }: { farm: Farm }) {
  const { timeZone } = farm.data.farm;
  const columns = useMemo(
    (): Column<AuditLine>[] => [
      momentColumn('when', 'When', ({ at }) => at, timeZone, { phone: 'title' }),
      wordColumn('who', 'Who', ({ by }) => by, { choice: true }),
      wordColumn('what', 'What', ({ what }) => what, { phone: 'verdict' }),
      wordColumn('about', 'As it was sent', ({ about }) => about, {
        as: (words) => <span className="line-clamp-2 max-w-xl text-sm break-all text-muted">{words}</span>,
      }),
    ],
    [timeZone],
  );
  return (
    <QueryBoundary answer={useAudit()} tall what="Getting the list of changes">
      {(lines) =>
        lines.length === 0 ? (
          <Empty title="Nothing was changed yet." />
        ) : (
          <DataTable
            name="Who changed what"
            one="change"
            many="changes"
            rows={lines}
            columns={columns}
            rowId={({ id }) => id}
            pageSize={50}
          />
        )
      }
    </QueryBoundary>
  );
}
