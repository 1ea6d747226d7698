export { ComparisonSlot } from './ComparisonSlot.tsx';
export {
  ExpressionSlot,
  LengthSlot,
  NamedSlot,
  OutputSlot,
  PlainSlot,
  TimeSlot,
  VariableSlot,
} from './slots.tsx';
