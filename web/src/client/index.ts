export {
  addPicture,
  api,
  ApiProblem,
  backupUrl,
  fileUrl,
  pictureUrl,
  runTrial,
  type DrawerPart,
  type RunJob,
  type GadgetSummary,
  type ShelfGadget,
  type RevisionSummary,
  type StoredTrial,
} from './api.ts';
export { edit, replaceDocument, useDocument, useGadget, useHistory } from './gadgetStore.ts';
export { usePlayed } from './usePlayed.ts';
export {
  closeGadget,
  followHead,
  openGadget,
  resolveConflict,
  saveNow,
  useSync,
  type ConflictChoice,
  type SyncStatus,
} from './sync.ts';
export { keepTrial, nextTrialName } from './keepTrial.ts';
export {
  keys,
  queryClient,
  useDrawer,
  useGadgets,
  useKept,
  usePortrait,
  useRevisions,
  useTrials,
} from './queries.ts';
