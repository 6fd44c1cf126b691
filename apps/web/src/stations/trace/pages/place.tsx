import { useParams } from 'react-router';
import { Link } from 'react-router';
import { useFarm, useOrigin } from '../../../data/farm';
import { grainOf, Moisture, Shown } from '../../../quantity/quantity';
import { Empty } from '../../../ui';
import { OriginLoads } from '../../../widgets/origin-view';
import { Owners } from '../../../widgets/owners';
import { HowSure } from './how-sure';

/** What a place holds now, back to each load off the field. */
export default function PlaceOrigin() {
  const farm = useFarm();
  const { placeId = '' } = useParams();
  const place = farm.place(placeId);
  const held = farm.held(placeId);
  const origin = useOrigin('places', placeId).data;
  return (
    <div>
      <div className="border-b border-ink px-5 py-4 lg:px-6">
        <Link to="/trace" className="text-sm underline decoration-rule underline-offset-4">
          All fields and tickets
        </Link>
        <h1 className="mt-1 text-3xl">{place?.name ?? 'There is no such place'}</h1>
        {place && (
          <>
            <p className="mt-3 text-4xl font-bold">
              <Shown of={grainOf(farm, held.wetLots)} />{' '}
              <span className="text-lg font-normal text-muted">
                in it now
                {held.moisture !== null && (
                  <>
                    , <Moisture value={held.moisture} />
                  </>
                )}
              </span>
            </p>
            <Owners farm={farm} wetLots={held.wetLots} className="mt-2 text-lg" />
          </>
        )}
      </div>
      {place && held.wetKg <= 0 ? (
        <Empty title="Nothing lies in it now." />
      ) : place ? (
        <>
          <HowSure farm={farm} subject={{ kind: 'place', id: placeId }} />
          {origin && (
            <section aria-label="Its loads" className="py-4">
              <h2 className="px-5 pb-2 text-xl lg:px-6">
                {origin.loads.length === 1 ? 'One load' : `${origin.loads.length} loads`} off the field
              </h2>
              <OriginLoads origin={origin} timeZone={farm.data.farm.timeZone} />
            </section>
          )}
        </>
      ) : null}
    </div>
  );
}
