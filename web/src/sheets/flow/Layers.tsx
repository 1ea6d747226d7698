import { ActionIcon, Button } from '@mantine/core';
import { IconChevronUp, IconTrash } from '@tabler/icons-react';
import {
  buttonsHeard,
  layerKeyId,
  showOneAction,
  type Action,
  type Layer,
  type LayerKey,
} from '@hum-lever/core';
import { useState } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { Choice, TextField, usePlace } from '../../shared/index.ts';
import { ActionList } from './ActionLine.tsx';
import { layerRows, type LayerRow } from './layerRows.ts';
import { ExpressionSlot } from '../../slots/index.ts';
import classes from './Flow.module.css';

/** What the same keys mean in one layer and another: a table of keys and layers, for keypads and instruments. */
export default function Layers() {
  const gadget = useDocument();
  const { layers } = gadget.flow;
  const buttons = buttonsHeard(gadget);
  const [open, setOpen] = useState<{ layerId: string; keyId: string } | null>(null);
  const [unfolded, setUnfolded] = useState<ReadonlySet<string>>(new Set());
  const rows = layerRows(gadget, unfolded);
  const layer = layers.find(({ id }) => id === open?.layerId);
  const key = rows.find(({ id }) => id === open?.keyId);
  return (
    <>
      <p className={classes.typedHint}>
        While a layer is on, its keys do what it says, whatever state the gadget is in; a key that a layer
        leaves empty means what it means in the layer to its left. Rules hear the press as well. Let go, a key
        does what belongs to the layer it was pressed in.
      </p>
      {layer && key && <KeyEditor layer={layer} row={key} close={() => setOpen(null)} />}
      {layers.length > 0 && (
        <div className={classes.scroll}>
          <table className={classes.layers} aria-label="Keys and layers">
            <thead>
              <tr>
                <th scope="col">Key</th>
                {layers.map((one, at) => (
                  <LayerHead key={one.id} layer={one} first={at === 0} />
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.id} data-in-set={(row.setId !== null && row.setId !== row.id) || undefined}>
                  <th scope="row">
                    {row.name}
                    {row.folded.length > 0 && (
                      <Button
                        size="compact-xs"
                        variant="subtle"
                        aria-label={`Show the ${row.folded.length} more of ${row.name} one by one`}
                        onClick={() => setUnfolded(new Set([...unfolded, row.id]))}
                      >
                        {row.folded.length} keys
                      </Button>
                    )}
                  </th>
                  {layers.map((one) => (
                    <LayerCell
                      key={one.id}
                      layer={one}
                      row={row}
                      chosen={open?.layerId === one.id && open.keyId === row.id}
                      choose={() => setOpen({ layerId: one.id, keyId: row.id })}
                    />
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <Button
        size="compact-sm"
        variant="default"
        onClick={() =>
          edit({
            name: 'addLayer',
            args: [
              layers.length === 0 ? 'Always' : `Layer ${layers.length + 1}`,
              layers.length === 0 ? null : { kind: 'held', controlId: buttons[0]!.id },
            ],
          })
        }
      >
        Add a layer
      </Button>
    </>
  );
}

function LayerHead({ layer, first }: { layer: Layer; first: boolean }) {
  const gadget = useDocument();
  const place = usePlace(layer.id);
  const change = (patch: Partial<Pick<Layer, 'name' | 'when'>>) =>
    edit({ name: 'changeLayer', args: [layer.id, patch] });
  const { when } = layer;
  const buttons = buttonsHeard(gadget);
  return (
    <th scope="col" {...place}>
      <div className={classes.range}>
        <TextField
          size="xs"
          w={110}
          aria-label={`Name of layer ${layer.name}`}
          value={layer.name}
          commit={(name) => change({ name: name.trim() })}
        />
        <ActionIcon
          variant="subtle"
          size="sm"
          disabled={first}
          aria-label={`Move ${layer.name} to the left`}
          onClick={() => edit({ name: 'moveLayer', args: [layer.id, -1] })}
        >
          <IconChevronUp size={15} style={{ rotate: '-90deg' }} />
        </ActionIcon>
        <ActionIcon
          variant="subtle"
          size="sm"
          aria-label={`Remove layer ${layer.name}`}
          onClick={() => edit({ name: 'removeLayer', args: [layer.id] })}
        >
          <IconTrash size={15} />
        </ActionIcon>
      </div>
      <Choice
        label={`When ${layer.name} is on`}
        data={[
          { value: '', label: 'always on' },
          ...buttons.map(({ id, name }) => ({ value: id, label: `while ${name} is held` })),
          { value: 'on', label: 'while a condition holds' },
        ]}
        value={when === null ? '' : when.kind === 'on' ? 'on' : when.controlId}
        choose={(chosen) =>
          change({
            when:
              chosen === ''
                ? null
                : chosen === 'on'
                  ? { kind: 'on', condition: 'true' }
                  : { kind: 'held', controlId: chosen },
          })
        }
      />
      {when?.kind === 'on' && (
        <ExpressionSlot
          label={`Condition of ${layer.name}`}
          value={when.condition}
          commit={(condition) => change({ when: { kind: 'on', condition } })}
        />
      )}
    </th>
  );
}

const ownKey = ({ keys }: Layer, id: string): LayerKey | undefined =>
  keys.find((key) => layerKeyId(key) === id);

/** What a key does in a layer, in a few words; what it inherits, paler. */
function LayerCell({
  layer,
  row,
  chosen,
  choose,
}: {
  layer: Layer;
  row: LayerRow;
  chosen: boolean;
  choose: () => void;
}) {
  const gadget = useDocument();
  const { layers } = gadget.flow;
  const own = ownKey(layer, row.id);
  const at = layers.indexOf(layer);
  // What its set does in the same layer comes before what lower layers say of it.
  const under = [...layers.slice(0, at + 1)]
    .reverse()
    .flatMap((one) => ownKey(one, row.id) ?? (row.setId === null ? [] : (ownKey(one, row.setId) ?? [])))[0];
  const words = (actions: readonly Action[]) => actions.map((one) => showOneAction(one, gadget)).join('; ');
  const text = own ? words(own.press) || 'nothing' : under ? words(under.press) || 'nothing' : '·';
  return (
    <td data-chosen={chosen || undefined} data-inherited={own ? undefined : true}>
      <button type="button" aria-label={`${row.name} in ${layer.name}: ${text}`} onClick={choose}>
        {text}
      </button>
    </td>
  );
}

function KeyEditor({ layer, row, close }: { layer: Layer; row: LayerRow; close: () => void }) {
  const { name } = row;
  const own = ownKey(layer, row.id);
  const { press, release } = own ?? { press: [], release: [] };
  const put = (does: { press: Action[]; release: Action[] } | null) =>
    edit({ name: 'setLayerKey', args: [layer.id, row.id, does] });
  return (
    <section className={classes.keyEditor} aria-label={`${name} in ${layer.name}`}>
      {row.id === row.setId && (
        <p className={classes.typedHint}>
          heard(0) is the number of the key in its set, from 0: a text such as {'{words[heard(0)]}'} takes the
          place of that number in a list.
        </p>
      )}
      <div className={classes.block}>
        <span className={classes.blockName}>Pressed</span>
        <ActionList
          label={`${name} pressed in ${layer.name}`}
          actions={press}
          put={(actions) => put({ press: actions, release })}
        />
      </div>
      <div className={classes.block}>
        <span className={classes.blockName}>Let go</span>
        <ActionList
          label={`${name} let go in ${layer.name}`}
          actions={release}
          put={(actions) => put({ press, release: actions })}
        />
      </div>
      <div className={classes.range}>
        <Button size="compact-xs" variant="default" disabled={!own} onClick={() => put(null)}>
          Leave it to the layer before
        </Button>
        <Button size="compact-xs" variant="default" onClick={close}>
          Done
        </Button>
      </div>
    </section>
  );
}
