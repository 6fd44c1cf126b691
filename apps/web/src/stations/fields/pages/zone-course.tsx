import type { CropId, FieldForecastInput } from '@fanega/core';
import { useWorker } from '../../../data/worker';
import { Moments } from './forecast-moments';

/** What a forecast is worked out from, as it is handed to the worker. */
export type AskedCourse = Omit<FieldForecastInput, 'crop'> & { readonly crop: CropId };

/** Where the moisture of a part goes, by its own readings; nothing where nobody read it. */
export function ZoneCourse({ asked, nowMs, timeZone }: { asked: AskedCourse | null; nowMs: number; timeZone: string }) {
  const answer = useWorker('forecast', asked).data;
  if (!answer || !('points' in answer)) return null;
  return (
    <div className="text-sm">
      <Moments forecast={answer} nowMs={nowMs} timeZone={timeZone} />
    </div>
  );
}
