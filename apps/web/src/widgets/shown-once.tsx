import { useEffect, useState } from 'react';
import { Button } from '../ui';

/** A secret that is told once: to be copied, or taken by a phone's camera where it is an address. */
export function ShownOnce({ label, text, code = false }: { label: string; text: string; code?: boolean }) {
  const [picture, setPicture] = useState<string | null>(null);
  useEffect(() => {
    if (!code) return;
    let here = true;
    void import('qrcode').then(async ({ toString }) => {
      const svg = await toString(text, { type: 'svg', margin: 1, errorCorrectionLevel: 'M' });
      if (here) setPicture(`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`);
    });
    return () => {
      here = false;
    };
  }, [code, text]);
  return (
    <div className="space-y-4">
      <p className="text-lg font-semibold">{label}</p>
      <p className="border border-ink bg-tape p-3 font-mono break-all select-all" aria-label={label}>
        {text}
      </p>
      {picture && <img src={picture} alt="The same for a phone’s camera" className="mx-auto w-56 bg-white p-2" />}
      <Button look="do" className="min-h-14 w-full text-lg" onClick={() => void navigator.clipboard?.writeText(text)}>
        Copy it
      </Button>
    </div>
  );
}
