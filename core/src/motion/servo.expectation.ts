import { expectMoved } from './movedExpectation.ts';

export const servo = expectMoved('servo');
