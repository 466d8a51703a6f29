/** The routes of words that nobody knew. */
import type { Kitchen, PinSignature, Signer, WordAnswer } from '@hand-ladle/core';
import { call } from '../api/client';

const words = (kitchenId: string): string => `/api/kitchens/${kitchenId}/words`;

export const wordServer = {
  signers: () => call<Signer[]>('/api/signers'),
  sign: (personId: string, pin: string) => call<PinSignature>('/api/signatures', 'POST', { personId, pin }),
  answer: (kitchenId: string, word: string, holds: WordAnswer['holds'], signature: string) =>
    call<Kitchen>(words(kitchenId), 'POST', { word, holds, signature }),
  takeBack: (kitchenId: string, word: string, signature: string) =>
    call<Kitchen>(`${words(kitchenId)}/take-back`, 'POST', { word, signature }),
};
