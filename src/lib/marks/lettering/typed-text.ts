/** A text as it is kept: one kind of line break, no control characters, nothing broken. */
export const typedText = (text: string): string => text.replace(/\r\n?/g, '\n').replace(/(?!\n)[\p{Cc}\p{Cs}]/gu, ' ');
