/** Turkish statements. */
import type { StatementLanguage } from './language';

export const TURKISH: StatementLanguage = {
  id: 'tr',
  name: 'Turkish',
  isCompounding: false,
  tellTale: ['icindekiler', 'icerir', 'icerebilir', 'icermez', 'eser miktarda', 'bugday*', 'yer fistig*', 'seker', 'ilavesiz', 'sutu tozu', 'islenen'],
  may: /\bicerebilir\b|\beser miktarda\b|\biz miktarda\b|\b(?:tesis|hat)\w*\b.*\b(?:islen|uretil|kullanil)|\bgaranti edilemez\b|\buygun degil/,
  mayStart: /(?!)/,
  free: [/([^.;()]{2,40})\s+icermez/g],
  denied: /\bicermedigi garanti edilemez\b/,
  notVegan: /\bveganlar\w* .{0,12}uygun degil/,
}; // prettier-ignore
