/** The settings of the kitchen in use: changed on the screen, saved quietly, with undo; a conflict or refusal is said. */
import { defineStore } from 'pinia';
import { shallowRef, watch } from 'vue';
import {
  type EquipmentSet,
  idFromName,
  type Kitchen,
  type KitchenSettings,
  type SavedKitchen,
} from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../state/book';
import { useSavedDraft } from '../state/saved-draft';

const SAVE_AFTER = 500;

/** What a kitchen records beside its settings, each by a way of its own. */
const RECORDED = new Set(['id', 'packs', 'weights', 'names', 'words', 'swaps', 'ratings']);

/** What a kitchen sets for itself. */
const settingsOf = (kitchen: Kitchen): KitchenSettings =>
  Object.fromEntries(
    Object.entries(kitchen).filter(([field]) => !RECORDED.has(field)),
  ) as unknown as KitchenSettings;

export const useKitchenSettings = defineStore('kitchen-settings', () => {
  const book = useBook();
  const saving = useSavedDraft<KitchenSettings, SavedKitchen>({
    save: (id, settings, version) => server.saveKitchen(id, settings, version),
    keptIn: ({ kitchen, version }) => ({ id: kitchen.id, version, draft: settingsOf(kitchen) }),
    conflict: 'kitchen-conflict',
    restMs: SAVE_AFTER,
    refusalIn: ({ code, message, details }) => {
      const detail = (details[0] as { message?: string } | undefined)?.message;
      return code === 'bad-request' && detail ? `Not kept yet: ${detail}` : message;
    },
    onKept: ({ kitchen }) => book.replaceKitchen(kitchen),
  });
  const settings = saving.draft;
  const sets = shallowRef<EquipmentSet[]>([]);

  function show(saved: SavedKitchen): void {
    saving.show(saved);
    book.replaceKitchen(saved.kitchen);
  }

  /** Opens the settings of the kitchen in use, as they are on the server now. */
  async function open(): Promise<void> {
    await saving.flush();
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
      if (settings.value && now && now !== saving.openId.value) void open();
    },
  );

  function change(fields: Partial<KitchenSettings>): void {
    if (settings.value) saving.change({ ...settings.value, ...fields });
  }

  /** A new kitchen with a set of machines; all else as in the one that is open. */
  async function create(name: string, setId: string): Promise<void> {
    const set = sets.value.find((each) => each.id === setId);
    if (!settings.value || !set) return;
    await saving.flush();
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
    settings,
    sets,
    status: saving.status,
    message: saving.message,
    canUndo: saving.canUndo,
    canRedo: saving.canRedo,
    open,
    change,
    undo: saving.undo,
    redo: saving.redo,
    flush: saving.flush,
    hasUnsaved: saving.hasUnsaved,
    takeTheirs: saving.takeTheirs,
    putMineOver: saving.putMineOver,
    create,
  };
});
