export { ComparisonSlot } from './ComparisonSlot.tsx';
export { ExpressionSlot, LengthSlot, NamedSlot, OutputSlot, PlainSlot, VariableSlot } from './slots.tsx';
