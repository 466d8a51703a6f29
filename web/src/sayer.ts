/** Who stands for what is said on a screen: the person signed in, or the name typed there; it is kept while the page is open. */
import { computed, nextTick, ref } from 'vue';
import { useSession } from './stores/session';

export function useSayer() {
  const session = useSession();
  /** What a name is being asked for; null while none is. */
  const naming = ref<string | null>(null);
  const typed = ref('');
  let field: HTMLInputElement | null = null;
  const by = computed(() => session.person?.name ?? typed.value.trim());

  /** Says something under a name, or asks for the name first. */
  async function say(key: string, then: (by: string) => void): Promise<void> {
    if (by.value === '') {
      naming.value = key;
      await nextTick();
      field?.focus();
      return;
    }
    naming.value = null;
    then(by.value);
  }
  /** The name's field, once it is drawn. */
  const takeField = (element: unknown): void => {
    field = element instanceof HTMLInputElement ? element : null;
  };
  return { naming, typed, takeField, say };
}
