import { useFarm, useFields, useNotebook, useWeather } from '../../../data/farm';
import { QueryBoundary } from '../../../ui/query-boundary';
import { Ranking } from './field-ranking';
import { Page } from '../../../ui/page';

const NONE: readonly never[] = [];

/** Which field next: ranked, with reasons, weights that anybody can see, and the user's own order above them. */
export default function NextField() {
  const farm = useFarm();
  const fields = useFields();
  const notebook = useNotebook();
  const weather = useWeather(0, 3);
  return (
    <Page title="Which field next?">
      <QueryBoundary answer={fields} what="Ranking the fields">
        {(rows) => (
          <QueryBoundary answer={notebook} what="Ranking the fields">
            {(book) => <Ranking farm={farm} rows={rows} notebook={book} weather={weather.data ?? NONE} />}
          </QueryBoundary>
        )}
      </QueryBoundary>
    </Page>
  );
}
