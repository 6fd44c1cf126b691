import { helpOf } from '@fanega/core';
import { useShed, useWheel } from '../../../data/farm';
import { number } from '../../../quantity/quantity';
import { say } from '../../../words';

/** Hours at the wheel today by what was recorded; a rest where the farm's own line is reached, and whom to call. */
export default function AtWheel({ name }: { name: string }) {
  const crew = useShed().data?.settings.crew.farm?.value;
  const { hours = 0, rest = false } = useWheel().data?.find((one) => one.name === name) ?? {};
  const help = helpOf(crew);
  if (hours < 1 && !help) return null;
  return (
    <p className="flex flex-wrap items-center justify-between gap-3 text-lg">
      <span className={rest ? 'font-bold' : 'text-muted'}>
        {hours >= 1 &&
          (rest ? `◐ ${say('wheelRest', { hours: number(hours, 1) })}` : say('wheel', { hours: number(hours, 1) }))}
      </span>
      {help && help.name !== name && (
        <a
          className="inline-flex min-h-14 items-center font-semibold underline decoration-rule underline-offset-4"
          {...(help.phone === '' ? {} : { href: `tel:${help.phone.replace(/[^\d+]/g, '')}` })}
        >
          {say('traineeCall', { who: help.name })}
          {help.phone === '' ? '' : ` ${help.phone}`}
        </a>
      )}
    </p>
  );
}
