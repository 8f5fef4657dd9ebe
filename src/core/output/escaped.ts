/** Text for the contents and attributes of HTML and XML. @source XML 1.0, 2.4; HTML Living Standard, 13.1.2 */
export const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
