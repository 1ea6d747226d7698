import { caseMaterials, type CaseMaterial, type Wishes } from '@hum-lever/core';
import { edit, useDocument } from '../../client/index.ts';
import { Choice, NumberField } from '../../shared/index.ts';
import classes from './Brief.module.css';

const materialWords: Record<CaseMaterial, string> = {
  plastic: 'plastic',
  wood: 'wood',
  metal: 'metal',
  card: 'card',
};

/** Wishes that can be measured; 0 is none. */
export function WishList() {
  const { brief, bill } = useDocument();
  const { wishes } = brief;
  const set = (patch: Partial<Wishes>) => edit({ name: 'setWishes', args: [patch] });
  type Numeric = Exclude<keyof Wishes, 'caseMaterial'>;
  const number = (key: Numeric, label: string, unit: string, of = 1, decimals = 0) => (
    <NumberField
      label={label}
      unit={unit}
      width={128}
      min={0}
      decimals={decimals}
      value={(wishes[key] ?? 0) / of}
      commit={(value) => set({ [key]: value === 0 ? null : Math.round(value * of) })}
    />
  );
  return (
    <div className={`card ${classes.line}`}>
      {number('priceCents', 'Price at most', bill.currency, 100, 2)}
      {number('runtimeHours', 'Runs for', 'h')}
      {number('latencyUs', 'Answers within', 'ms', 1_000, 1)}
      {number('weightG', 'Weighs at most', 'g')}
      {number('widthMm', 'Wide', 'mm')}
      {number('heightMm', 'High', 'mm')}
      {number('depthMm', 'Deep', 'mm')}
      <Choice
        visible
        label="Case of"
        data={[
          { value: '', label: 'not said yet' },
          ...caseMaterials.map((material) => ({ value: material, label: materialWords[material] })),
        ]}
        value={wishes.caseMaterial ?? ''}
        choose={(chosen) => set({ caseMaterial: chosen === '' ? null : (chosen as CaseMaterial) })}
      />
      <p className={classes.reason}>0 means no wish.</p>
    </div>
  );
}
