import { KG_PER_LB } from '@fanega/core';
import type { ReactNode } from 'react';

const WHOLE = new Intl.NumberFormat('en-US', { maximumFractionDigits: 0 });
const TENTH = new Intl.NumberFormat('en-US', { minimumFractionDigits: 1, maximumFractionDigits: 1 });
const CENT = new Intl.NumberFormat('en-US', { style: 'currency', currency: 'USD' });

export const formatBushels = (bushels: number): string => WHOLE.format(Math.round(bushels) === 0 ? 0 : bushels);
export const formatBushelsFine = (bushels: number): string => TENTH.format(bushels);
export const formatPounds = (kg: number): string => WHOLE.format(Math.round(kg / KG_PER_LB) === 0 ? 0 : kg / KG_PER_LB);
export const formatMoisture = (fraction: number): string => TENTH.format(fraction * 100);
export const formatShare = (fraction: number): string => TENTH.format(fraction * 100);
const DOLLARS = new Intl.NumberFormat('en-US', { style: 'currency', currency: 'USD', maximumFractionDigits: 0 });

/** Cents below a hundred dollars, whole dollars from there on. */
export const formatDollars = (dollars: number): string => (Math.abs(dollars) < 99.995 ? CENT : DOLLARS).format(dollars);
export const formatMoney = (dollars: number): string => CENT.format(dollars);
export const formatAcres = (acres: number): string => TENTH.format(acres);

const Unit = ({ children }: { children: ReactNode }) => <span className="text-[0.72em] font-normal text-muted"> {children}</span>;

/** Weight bushels; the basis is said wherever it is not plainly the grain as it is. */
export function Bushels({ value, basis }: { value: number; basis?: string }) {
  return (
    <span className="whitespace-nowrap">
      {formatBushels(value)}
      <Unit>bu{basis ? ` ${basis}` : ''}</Unit>
    </span>
  );
}

export function Pounds({ kg }: { kg: number }) {
  return (
    <span className="whitespace-nowrap">
      {formatPounds(kg)}
      <Unit>lb</Unit>
    </span>
  );
}

/** Wet basis, per cent with one decimal. */
export function Moisture({ value }: { value: number | null }) {
  return value === null ? (
    <span className="text-muted">–</span>
  ) : (
    <span className="whitespace-nowrap">
      {formatMoisture(value)}
      <Unit>%</Unit>
    </span>
  );
}

/** Reads what people type: "52,400", "52 400", "52.4". NaN when it is no number. */
export function parseNumber(text: string): number {
  const plain = text.replace(/[\s,’']/g, '');
  return plain === '' || !/^[+-]?\d*\.?\d*$/.test(plain) ? NaN : Number(plain);
}

/** Per cent typed by a person to a fraction, with what is wrong in words. */
export function readMoisture(text: string): { value?: number; error?: string } {
  if (text.trim() === '') return {};
  const percent = parseNumber(text);
  if (Number.isNaN(percent)) return { error: 'Moisture is a number like 16.5' };
  if (percent > 0 && percent < 1) return { error: `Type it in per cent: ${TENTH.format(percent * 100)}` };
  if (percent < 0 || percent > 60) return { error: 'Moisture is from 0 to 60 %' };
  return { value: Math.round(percent * 1e6) / 1e8 };
}

export const WEIGHT_UNITS = ['lb', 'bu'] as const;
export type WeightUnit = (typeof WEIGHT_UNITS)[number];

/** A weight typed in pounds or in bushels to kg. */
export function readWeight(text: string, unit: WeightUnit, kgPerBushel: number): { kg?: number; error?: string } {
  if (text.trim() === '') return {};
  const value = parseNumber(text);
  if (Number.isNaN(value)) return { error: 'A weight is a number like 52,400' };
  if (value < 0) return { error: 'A weight cannot be less than zero' };
  const kg = value * (unit === 'lb' ? KG_PER_LB : kgPerBushel);
  return kg > 5_000_000 ? { error: 'That is more than any bin holds; check the digits' } : { kg };
}
