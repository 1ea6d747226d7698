import { settingFaults } from '../debounce/index.ts';
import {
  applyEdit,
  canonicalJson,
  EditRefused,
  openGadget,
  type Edit,
  type Fault,
  type Gadget,
  type Opened,
} from '../gadget/index.ts';
import { partFaults } from '../parts/index.ts';
import { setFaults } from '../scan/index.ts';

/** As `Opened`, with what only text can be: not JSON, or too large to look at. */
export type Read =
  Opened | { outcome: 'not-json'; message: string } | { outcome: 'too-large'; message: string };

/** What the ground floor cannot know: whether settings, classes and schemes are ones that the registries have. */
function registryFaults({ controls, outputs, parts, wiring }: Gadget): Fault[] {
  const kinds = new Map([...controls, ...outputs].map(({ id, kind }) => [id, kind]));
  const under = (base: string, faults: Fault[]) =>
    faults.map(({ path, message }) => ({ path: `${base}.${path}`, message }));
  return [
    ...controls.flatMap((control, index) =>
      control.kind === 'button' ? under(`controls.${index}.debounce`, settingFaults(control.debounce)) : [],
    ),
    ...parts.flatMap((part, index) =>
      under(
        `parts.${index}`,
        partFaults(part, (id) => kinds.get(id)),
      ),
    ),
    ...wiring.sets.flatMap((set, index) => under(`wiring.sets.${index}`, setFaults(set))),
  ];
}

/** A document from raw JSON: migrated, checked strictly, ready to run. Never throws. */
export function readGadget(raw: unknown): Opened {
  const opened = openGadget(raw);
  if (opened.outcome !== 'opened') return opened;
  const faults = registryFaults(opened.gadget);
  const first = faults[0];
  return first ? { outcome: 'invalid', faults, message: `${first.path}: ${first.message}.` } : opened;
}

/** The file of a gadget: canonical JSON, so that two revisions compare line by line. */
export function printGadget(gadget: Gadget): string {
  return canonicalJson(gadget);
}

/**
 * The edited document, checked as strictly as one that is read.
 * @throws EditRefused naming the field; nothing was changed
 */
export function editGadget(gadget: Gadget, edit: Edit): Gadget {
  const edited = applyEdit(gadget, edit);
  const same =
    edited.controls === gadget.controls &&
    edited.parts === gadget.parts &&
    edited.wiring.sets === gadget.wiring.sets;
  const faults = same ? [] : registryFaults(edited);
  if (faults.length > 0) throw new EditRefused(`${faults[0]!.path}: ${faults[0]!.message}`, faults);
  return edited;
}
