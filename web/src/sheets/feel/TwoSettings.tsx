import { Button as PushButton, SegmentedControl } from '@mantine/core';
import { algorithms, defaultSetting, type Button, type DebounceSetting, type Gadget } from '@hum-lever/core';
import { useEffect, useState } from 'react';
import { useDocument } from '../../client/index.ts';
import { Choice, count, StageIcon } from '../../shared/index.ts';
import { settingWords } from '../../words/index.ts';
import { player, traceNow, usePlayer, virtualNowUs } from '../../workers/index.ts';
import { changeOf } from './cards/change.ts';
import classes from './Feel.module.css';
import { outcomeSince, type Outcome } from './scenarios.ts';
import { useAdvice } from './useAdvice.ts';

type Side = 'a' | 'b';
const nothingYet: Outcome = { presses: 0, through: 0, again: 0, lost: 0 };
const advised = 'advised';

const withSetting = (gadget: Gadget, control: Button, debounce: DebounceSetting): Gadget => ({
  ...gadget,
  controls: gadget.controls.map((one) => (one.id === control.id ? { ...control, debounce } : one)),
});

/** Two settings, tried by hand: the gadget in hand switches, the document does not until one is kept. */
export function TwoSettings({ control }: { control: Button }) {
  const gadget = useDocument();
  const advice = useAdvice(control);
  const [side, setSide] = useState<Side>('a');
  const [other, setOther] = useState<string>(advised);
  const [sinceUs, setSinceUs] = useState(0);
  const [before, setBefore] = useState<Record<Side, Outcome>>({ a: nothingYet, b: nothingYet });
  usePlayer((state) => state.traceVersion);
  const b = other === advised ? (advice?.setting ?? control.debounce) : defaultSetting(other);
  const words = settingWords(b);
  useEffect(() => {
    if (side === 'a') return;
    player.edit(withSetting(gadget, control, b));
    return () => player.edit(gadget);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `b` is told apart by its words
  }, [side, gadget, control, words]);
  const here = outcomeSince(traceNow(), control.id, sinceUs);
  const scoreOf = (of: Side) => (of === side && sinceUs > 0 ? added(before[of], here) : before[of]);
  const turn = (to: Side) => {
    setBefore({ ...before, [side]: scoreOf(side) });
    setSinceUs(virtualNowUs());
    setSide(to);
  };
  return (
    <fieldset className={`card ${classes.twoSettings}`}>
      <legend>
        <StageIcon stage="clean" /> Two settings by hand
      </legend>
      <SegmentedControl
        size="xs"
        aria-label="Setting in hand"
        data={[
          { value: 'a', label: `A: ${settingWords(control.debounce)}` },
          { value: 'b', label: `B: ${words}` },
        ]}
        value={side}
        onChange={(value) => turn(value as Side)}
      />
      <Choice
        label="What B is"
        data={[
          { value: advised, label: 'B is what is recommended' },
          ...algorithms.map(({ id, title }) => ({ value: id, label: `B is ${title}` })),
        ]}
        value={other}
        choose={(value) => {
          setBefore({ ...before, b: nothingYet });
          setOther(value);
        }}
      />
      <PushButton
        size="compact-sm"
        variant="default"
        disabled={side === 'a'}
        onClick={() => {
          changeOf<Button>(control.id)({ debounce: b });
          setSide('a');
          setBefore({ a: nothingYet, b: nothingYet });
        }}
      >
        Keep B
      </PushButton>
      <p className={classes.scores}>
        <span>A: {scoreWords(scoreOf('a'))}</span>
        <span>B: {scoreWords(scoreOf('b'))}</span>
      </p>
    </fieldset>
  );
}

const added = (one: Outcome, more: Outcome): Outcome => ({
  presses: one.presses + more.presses,
  through: one.through + more.through,
  again: one.again + more.again,
  lost: one.lost + more.lost,
});

function scoreWords({ presses, again, lost }: Outcome): string {
  if (presses + again === 0) return 'not pressed yet';
  return `${count(presses, 'press', 'presses')}, ${again} counted again, ${lost} lost`;
}
