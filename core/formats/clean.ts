/**
 * A name as a file format takes it: on one line, without the letters that XML (1.0, 2.2), DXF or a workbook cannot hold.
 * Rows kept before names were held to one line are told in files too.
 */
export const plainLine = (text: string): string =>
  text
    .toWellFormed()
    // eslint-disable-next-line no-control-regex -- control characters are what is looked for
    .replace(/[\u0000-\u001f\u007f-\u009f\u2028\u2029]+/g, ' ')
    .replace(/[\ufffe\uffff]/g, '')
