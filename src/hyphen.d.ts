declare module 'hyphen/*' {
  const language: {
    readonly hyphenateSync: (text: string, options?: { readonly hyphenChar?: string; readonly minWordLength?: number }) => string;
  };
  export default language;
}
