import { format, parseISO } from 'date-fns';
import { DayPicker } from 'react-day-picker';

/** A month to choose a day from; arrow keys walk it. */
export default function Month({
  chosen,
  today,
  onChoose,
}: {
  chosen: string | undefined;
  today: string;
  onChoose: (day: string) => void;
}) {
  const selected = chosen === undefined ? undefined : parseISO(chosen);
  return (
    <DayPicker
      mode="single"
      autoFocus
      today={parseISO(today)}
      defaultMonth={selected ?? parseISO(today)}
      selected={selected}
      onSelect={(day) => day && onChoose(format(day, 'yyyy-MM-dd'))}
      classNames={{
        months: 'relative',
        month_caption: 'flex min-h-11 items-center font-bold',
        nav: 'absolute top-0 right-0 flex',
        button_previous: 'flex h-11 w-11 items-center justify-center hover:bg-sand',
        button_next: 'flex h-11 w-11 items-center justify-center hover:bg-sand',
        chevron: 'h-5 w-5 fill-current',
        weekday: 'w-11 text-center text-sm font-normal text-muted',
        day: 'p-0 text-center',
        day_button: 'h-11 w-11 rounded-[3px] hover:bg-sand',
        today: 'font-bold underline underline-offset-4',
        selected: '[&>button]:bg-ink [&>button]:text-paper',
        outside: 'text-muted',
      }}
    />
  );
}
