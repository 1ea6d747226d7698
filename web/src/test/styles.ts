/** Class names mean nothing where nothing is drawn. */
export default {};
