/** Names in many scripts; the words are made up or plain nouns (“bakery”, “café”, “kite”). */
export const NAMES_OF_ANY_SCRIPT = [
  'Пекарня',
  '東京堂',
  'مقهى',
  'カフェ',
  '베이커리',
  'चाय घर',
  'ร้านชา',
  'Αρτοποιείο',
  'מאפייה',
  'Թեյատուն',
  'თონე',
  'ชา茶чай',
  '🌿🪁',
] as const;
