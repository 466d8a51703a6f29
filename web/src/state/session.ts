/** Who is signed in on this screen. Cooking needs nobody; what leaves the kitchen needs a name. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { type Person, type Role, ROLES } from '@hand-ladle/core';
import { labels } from '../api/labels';

export const useSession = defineStore('session', () => {
  const person = shallowRef<Person | null>(null);
  /** The sign-in panel is asked for. */
  const isAsked = ref(false);
  let asked: Promise<void> | null = null;

  /** Asks the server once who this is. */
  function ready(): Promise<void> {
    asked ??= labels
      .session()
      .then((answer) => {
        person.value = answer.person;
      })
      .catch(() => {
        asked = null;
      });
    return asked;
  }

  async function signIn(login: string, password: string): Promise<void> {
    person.value = (await labels.signIn(login, password)).person;
    isAsked.value = false;
  }

  async function signOut(): Promise<void> {
    await labels.signOut();
    person.value = null;
  }

  const may = computed(
    () =>
      (role: Role): boolean =>
        person.value !== null && ROLES.indexOf(person.value.role) >= ROLES.indexOf(role),
  );

  return { person, isAsked, ready, signIn, signOut, may };
});
