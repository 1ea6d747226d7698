import { expectMoved } from './movedExpectation.ts';

export const motor = expectMoved('motor');
