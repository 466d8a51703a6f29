/** The settings of the kitchen in use: changed on the screen, saved quietly, with undo; a conflict or refusal is said. */
import { computed, ref, shallowRef, watch } from 'vue';
import { defineStore } from 'pinia';
import {
  idFromName,
  type EquipmentSet,
  type Kitchen,
  type KitchenSettings,
  type SavedKitchen,
} from '@hand-ladle/core';
import { server, type ServerError } from '../api/client';
import { useBook } from '../state/book';

const SAVE_AFTER = 500;

/** What a kitchen records beside its settings, each by a way of its own. */
const RECORDED = new Set(['id', 'packs', 'weights', 'names', 'swaps', 'ratings']);

/** What a kitchen sets for itself. */
const settingsOf = (kitchen: Kitchen): KitchenSettings =>
  Object.fromEntries(
    Object.entries(kitchen).filter(([field]) => !RECORDED.has(field)),
  ) as unknown as KitchenSettings;

export const useKitchenSettings = defineStore('kitchen-settings', () => {
  const book = useBook();
  const settings = shallowRef<KitchenSettings | null>(null);
  const past = shallowRef<KitchenSettings[]>([]);
  const future = shallowRef<KitchenSettings[]>([]);
  const status = ref<'saved' | 'changed' | 'conflict' | 'refused' | 'unreachable'>('saved');
  const message = ref('');
  const sets = shallowRef<EquipmentSet[]>([]);
  let id = '';
  let version = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let theirs: SavedKitchen | null = null;

  function show({ kitchen, version: read }: SavedKitchen): void {
    id = kitchen.id;
    version = read;
    settings.value = settingsOf(kitchen);
    past.value = [];
    future.value = [];
    status.value = 'saved';
    message.value = '';
    book.replaceKitchen(kitchen);
  }

  /** Opens the settings of the kitchen in use, as they are on the server now. */
  async function open(): Promise<void> {
    await flush();
    await book.ready();
    const [saved, equipment] = await Promise.all([
      server.kitchen(book.kitchen!.id),
      sets.value.length > 0 ? sets.value : server.equipment(),
    ]);
    sets.value = equipment;
    show(saved);
  }

  watch(
    () => book.kitchen?.id,
    (now) => {
      if (settings.value && now && now !== id) void open();
    },
  );

  async function save(): Promise<void> {
    clearTimeout(timer);
    const now = settings.value;
    if (!now || status.value === 'conflict') return;
    try {
      const saved = await server.saveKitchen(id, now, version);
      version = saved.version;
      book.replaceKitchen(saved.kitchen);
      message.value = '';
      status.value = settings.value === now ? 'saved' : 'changed';
    } catch (error) {
      failed(error as ServerError);
    }
  }

  function failed({ code, message: text, details }: ServerError): void {
    const detail = (details[0] as { message?: string } | undefined)?.message;
    message.value = code === 'bad-request' && detail ? `Not kept yet: ${detail}` : text;
    theirs = code === 'kitchen-conflict' ? ((details[0] as SavedKitchen | undefined) ?? null) : null;
    status.value = theirs ? 'conflict' : code === 'unreachable' ? 'unreachable' : 'refused';
    if (status.value === 'unreachable') timer = setTimeout(() => void save(), 3000);
  }

  function become(next: KitchenSettings): void {
    settings.value = next;
    if (status.value !== 'conflict') status.value = 'changed';
    clearTimeout(timer);
    timer = setTimeout(() => void save(), SAVE_AFTER);
  }

  function change(fields: Partial<KitchenSettings>): void {
    if (!settings.value) return;
    past.value = [...past.value.slice(-99), settings.value];
    future.value = [];
    become({ ...settings.value, ...fields });
  }

  function undo(): void {
    const before = past.value[past.value.length - 1];
    if (!before || !settings.value) return;
    future.value = [...future.value, settings.value];
    past.value = past.value.slice(0, -1);
    become(before);
  }

  function redo(): void {
    const after = future.value[future.value.length - 1];
    if (!after || !settings.value) return;
    past.value = [...past.value, settings.value];
    future.value = future.value.slice(0, -1);
    become(after);
  }

  async function flush(): Promise<void> {
    if (status.value === 'changed') await save();
  }

  function takeTheirs(): void {
    if (theirs) show(theirs);
    theirs = null;
  }

  async function putMineOver(): Promise<void> {
    if (!theirs) return;
    version = theirs.version;
    theirs = null;
    status.value = 'changed';
    await save();
  }

  /** A new kitchen with a set of machines; all else as in the one that is open. */
  async function create(name: string, setId: string): Promise<void> {
    const set = sets.value.find((each) => each.id === setId);
    if (!settings.value || !set) return;
    await flush();
    const tail = crypto.randomUUID().slice(0, 8);
    const { vessels, scales, pans } = set;
    const made = await server.createKitchen(`${idFromName(name).slice(0, 40) || 'kitchen'}-${tail}`, {
      ...settings.value,
      // It stands where whoever opens it stands, until it says otherwise.
      service: { ...settings.value.service, timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone },
      name,
      vessels,
      scales,
      pans,
    });
    book.addKitchen(made.kitchen);
    show(made);
  }

  return {
    settings: computed(() => settings.value),
    sets,
    past,
    future,
    status,
    message,
    open,
    change,
    undo,
    redo,
    flush,
    takeTheirs,
    putMineOver,
    create,
  };
});
