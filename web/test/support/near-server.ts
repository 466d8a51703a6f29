/** The server of the demo world in the room of a test: what it holds, and what it was asked to keep. */
import { createPinia, setActivePinia } from 'pinia';
import type { SavedRecipe } from '@hand-ladle/core';
import { cafe, components, demo, foods, school, swaps, ward } from '@hand-ladle/testing/world';
import { type Marked, server, ServerError } from '../../src/api/client';

export interface NearServer {
  /** What it holds, by id. */
  held: Map<string, SavedRecipe>;
  /** What it was asked to keep over what it holds. */
  saves: SavedRecipe[];
}

/** What stands under an address: sent unless the mark is that of it. */
export const standing =
  <T>(value: T, is = 'as read first') =>
  (mark = ''): Promise<Marked<T> | null> =>
    Promise.resolve(mark === is ? null : { value, mark: is });

/** A fresh screen before a server that answers at once; what a test says otherwise is its own mock. */
export function freshScreen(): NearServer {
  localStorage.clear();
  sessionStorage.clear();
  setActivePinia(createPinia());
  const held = new Map(
    demo.map(({ recipe, target }) => [
      recipe.id,
      { recipe, target, vesselIds: [], version: 1 } as SavedRecipe,
    ]),
  );
  const saves: SavedRecipe[] = [];
  jest.spyOn(server, 'larder').mockImplementation(standing({ foods: [...foods], swaps: [...swaps] }));
  jest.spyOn(server, 'kitchens').mockImplementation(standing([ward, school, cafe]));
  jest.spyOn(server, 'components').mockImplementation(standing([...components]));
  jest.spyOn(server, 'recipe').mockImplementation((id) => {
    const found = held.get(id);
    return found
      ? Promise.resolve(found)
      : Promise.reject(new ServerError('recipe-unknown', 'Not in the book.'));
  });
  jest.spyOn(server, 'create').mockImplementation((saved) => {
    const made = { ...saved, version: 1 };
    held.set(saved.recipe.id, made);
    return Promise.resolve(made);
  });
  jest.spyOn(server, 'save').mockImplementation((saved) => {
    saves.push(saved);
    const kept = { ...saved, version: saved.version + 1 };
    held.set(saved.recipe.id, kept);
    return Promise.resolve(kept);
  });
  return { held, saves };
}

/** Until something is so; a test that waits for nothing fails by its own time limit. */
export async function until(isSo: () => boolean): Promise<void> {
  while (!isSo()) await new Promise((done) => setTimeout(done, 2));
}

export const unreachable = (): Promise<never> =>
  Promise.reject(new ServerError('unreachable', 'The server does not answer.'));
