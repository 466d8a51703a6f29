/** Who stands for what is said on a screen: the person signed in, or the name typed beside the answer; it is never guessed. */
import { computed, nextTick, ref } from 'vue';
import { useSession } from './session';

export function useSayer() {
  const session = useSession();
  const isNaming = ref(false);
  const typed = ref('');
  let field: HTMLInputElement | null = null;
  const by = computed(() => session.person?.name ?? typed.value.trim());

  /** Says something under a name, or asks for the name first. */
  async function say(then: (by: string) => void): Promise<void> {
    if (by.value === '') {
      isNaming.value = true;
      await nextTick();
      field?.focus();
      return;
    }
    isNaming.value = false;
    then(by.value);
  }
  /** The name's field, once it is drawn. */
  const takeField = (element: unknown): void => {
    field = element instanceof HTMLInputElement ? element : null;
  };
  return { isNaming, typed, takeField, say };
}
