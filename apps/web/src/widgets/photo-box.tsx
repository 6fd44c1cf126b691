import { Camera } from 'lucide-react';
import { useId, useState } from 'react';
import { ulid } from 'ulid';
import { addressOf, post } from '../data/api';
import { useFarm } from '../data/farm';
import { useSend } from '../data/use-send';
import { write } from '../data/outbox';

const LONGEST_SIDE = 1600;

/** A picture as it is sent: scaled down, and without where and when the phone took it. What is no picture goes as it is, for the server to say so. */
async function scaled(file: File): Promise<Blob> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    return file;
  }
  const factor = Math.min(1, LONGEST_SIDE / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * factor));
  canvas.height = Math.max(1, Math.round(bitmap.height * factor));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return new Promise((resolve) => canvas.toBlob((blob) => resolve(blob ?? file), 'image/jpeg', 0.85));
}

/** Takes or chooses a photograph and keeps it with the farm, without a signal in the queue; its id goes to `onTaken`. */
export function PhotoBox({
  label,
  about,
  onTaken,
}: {
  label: string;
  about: string;
  onTaken: (photoId: string) => unknown;
}) {
  const farm = useFarm();
  const sending = useSend();
  const id = useId();
  const [busy, setBusy] = useState(false);
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setBusy(true);
    const photoId = ulid();
    const kept = await sending.send(async () =>
      write(
        farm.id,
        {
          ...post('/api/farms/{farmId}/photos/{photoId}', {
            path: { farmId: farm.id, photoId },
            query: { about },
          } as never),
          body: await scaled(file),
        },
        'a photograph',
      ),
    );
    setBusy(false);
    if (kept) await onTaken(photoId);
  };
  return (
    <div>
      <label
        htmlFor={id}
        className="inline-flex min-h-11 cursor-pointer items-center gap-2 rounded-[3px] border border-ink px-4 font-semibold hover:bg-sand has-focus-visible:outline-3 has-focus-visible:outline-clay"
      >
        <Camera size={18} aria-hidden="true" /> {busy ? 'Sending …' : label}
        <input
          id={id}
          type="file"
          accept="image/*"
          className="sr-only"
          aria-describedby={sending.message ? `${id}-note` : undefined}
          aria-invalid={sending.message !== null}
          onChange={(event) => {
            void take(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </label>
      {sending.message && (
        <p id={`${id}-note`} role="alert" className="mt-1 text-sm font-semibold text-clay">
          {sending.message}
        </p>
      )}
    </div>
  );
}

export function Photo({ photoId, alt, size = 96 }: { photoId: string; alt: string; size?: number }) {
  const farm = useFarm();
  const src = addressOf('/api/farms/{farmId}/photos/{photoId}', { farmId: farm.id, photoId });
  return (
    <a href={src} target="_blank" rel="noreferrer" className="inline-block">
      <img
        src={src}
        alt={alt}
        width={size}
        height={size}
        loading="lazy"
        className="border border-ink object-cover"
        style={{ width: size, height: size }}
      />
    </a>
  );
}
