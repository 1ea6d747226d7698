import { Button as PushButton } from '@mantine/core';
import { algorithmOf, type Button } from '@hum-lever/core';
import { saveFile } from '../../../shared/index.ts';
import { settingWords } from '../../../words/index.ts';
import classes from '../Feel.module.css';

/** The setting as C, written from the same definition that is played here. */
export function CodeView({ control }: { control: Button }) {
  const { algorithm, params } = control.debounce;
  const { c99, source, cost } = algorithmOf(algorithm);
  const text = c99(params);
  const { bytes, operations } = cost(params);
  return (
    <section aria-label="Code">
      <div className={classes.viewBar}>
        <h2>
          {settingWords(control.debounce)}
          <span className="number soft">
            {' '}
            {bytes} B, about {operations} operations a reading
          </span>
        </h2>
        <PushButton
          size="compact-sm"
          variant="default"
          onClick={() => saveFile(`debounce-${algorithm}.c`, 'text/x-c', text)}
        >
          Save as C
        </PushButton>
      </div>
      <pre className={`card number ${classes.code}`} tabIndex={0} aria-label="C99 text">
        {text}
      </pre>
      <p className="soft">
        Called once for every reading of the inputs, with their levels and the time; it gives the clean
        levels. {source}.
      </p>
    </section>
  );
}
