/** A pattern of lit and dark, in time or along a chain. */
export const steps = {
  like: /^[#.]{1,64}$/,
  expected: 'expected # for lit and . for dark, 1 to 64 of them',
};
