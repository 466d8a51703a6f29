/** Who reads or tastes what is recorded here: the person signed in, else whoever types a name. Nobody's name is kept for the next. */
import { onMounted, type Ref, ref, watch } from 'vue';
import { useSession } from './session';

export function useReader(): Ref<string> {
  const session = useSession();
  const name = ref(session.person?.name ?? '');
  onMounted(() => void session.ready());
  watch(
    () => session.person,
    (now, before) => {
      if (name.value === '' || name.value === before?.name) name.value = now?.name ?? '';
    },
  );
  return name;
}
