import { Button, Menu } from '@mantine/core';
import { IconPlus } from '@tabler/icons-react';
import { effectKinds, limits, type EffectKind, type Gadget } from '@hum-lever/core';
import { useState } from 'react';
import { edit } from '../../../client/index.ts';
import { Effect } from './Effect.tsx';
import classes from './Effects.module.css';

const kindWords: Record<EffectKind, string> = {
  coin: 'Something is found',
  hit: 'Something is hit',
  win: 'Won',
  lose: 'Lost',
  leap: 'A leap',
};

/** Short sounds that are made by a few numbers, each drawn as the way that its pitch goes. */
export function Effects({ gadget }: { gadget: Gadget }) {
  const [refused, setRefused] = useState<string | null>(null);
  const { effects } = gadget;
  const make = (kind: EffectKind) => {
    const same = effects.filter(({ name }) => name.startsWith(kindWords[kind])).length;
    const name = same === 0 ? kindWords[kind] : `${kindWords[kind]} ${same + 1}`;
    setRefused(edit({ name: 'addEffect', args: [{ ...effectKinds[kind], name }] }));
  };
  return (
    <section
      aria-label="Effects"
      className={effects.length > 0 ? classes.place : ''}
      data-begin={effects.length === 0 || undefined}
    >
      {effects.length > 0 && (
        <ul className={classes.effects}>
          {effects.map((effect) => (
            <Effect key={effect.id} gadget={gadget} effect={effect} />
          ))}
        </ul>
      )}
      <Menu position="bottom-start">
        <Menu.Target>
          <Button
            size="compact-sm"
            variant="default"
            leftSection={<IconPlus size={14} />}
            disabled={effects.length >= limits.effects}
          >
            Make an effect
          </Button>
        </Menu.Target>
        <Menu.Dropdown>
          {(Object.keys(effectKinds) as EffectKind[]).map((kind) => (
            <Menu.Item key={kind} onClick={() => make(kind)}>
              {kindWords[kind]}
            </Menu.Item>
          ))}
        </Menu.Dropdown>
      </Menu>
      {refused !== null && <p role="alert">{refused}</p>}
    </section>
  );
}
