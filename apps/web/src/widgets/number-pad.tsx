import { Delete } from 'lucide-react';
import { Button } from '../ui';
import { say } from '../words';

/** Digits that gloves can hit. */
export function NumberPad({ onKey }: { onKey: (key: string) => void }) {
  return (
    <div className="grid grid-cols-3 gap-2">
      {['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0'].map((key) => (
        <Button key={key} className="min-h-16 !text-2xl" onClick={() => onKey(key)}>
          {key}
        </Button>
      ))}
      <Button className="min-h-16" aria-label={say('lastDigit')} onClick={() => onKey('back')}>
        <Delete size={26} aria-hidden="true" />
      </Button>
    </div>
  );
}

/** What stands in a box after a key: a filled-in guess is replaced by the first digit. */
export const typed = (text: string, key: string, fresh: boolean): string =>
  key === 'back' ? text.slice(0, -1) : fresh ? key : text + key;
