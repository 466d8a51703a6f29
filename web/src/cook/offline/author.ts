/** Who stands at this tablet: a name that signed with a PIN, or one that only says who it is. */
import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { cookServer } from './cook-server';

interface Standing {
  name: string;
  signature: string;
  expiresAt: string;
}

const NOBODY: Standing = { name: '', signature: '', expiresAt: '' };

export const useAuthor = defineStore('author', () => {
  const kept = useLocalStorage<Standing>('hand-ladle.stove.author', NOBODY);
  const isOver = computed(() => kept.value.expiresAt !== '' && Date.parse(kept.value.expiresAt) < Date.now());
  const name = computed(() => kept.value.name);
  const isSigned = computed(() => kept.value.signature !== '' && !isOver.value);

  async function sign(personId: string, pin: string): Promise<void> {
    const { person, signature, expiresAt } = await cookServer.sign(personId, pin);
    kept.value = { name: person.name, signature, expiresAt };
  }
  /** Only says who it is: entries are not signed. */
  function sayName(said: string): void {
    kept.value = { ...NOBODY, name: said.trim() };
  }
  function leave(): void {
    kept.value = NOBODY;
  }
  const author = computed(() => ({
    name: kept.value.name,
    signature: isSigned.value ? kept.value.signature : '',
  }));
  return { name, isSigned, author, sign, sayName, leave };
});
