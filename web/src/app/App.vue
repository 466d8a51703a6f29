<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, defineAsyncComponent, onMounted, ref } from 'vue';
import { RouterLink, RouterView, useRouter } from 'vue-router';
import { server } from '../api/client';
import ScaleChip from '../devices/ScaleChip.vue';
import { useBook } from '../state/book';
import { usePrompts } from '../state/prompts';
import { useSession } from '../state/session';
import { useFreshBook } from './fresh-book';
import { selectFiguresOnFocus } from './select-figures';

/** Loaded when a panel is asked for first, so that the first screen does not wait for it. */
const WorkPanels = defineAsyncComponent(() => import('./WorkPanels.vue'));

/** Loaded when somebody signs in. */
const SignInPanel = defineAsyncComponent(() => import('../people/SignInPanel.vue'));

const book = useBook();
const session = useSession();
const router = useRouter();
const prompts = usePrompts();
const awaySince = useFreshBook(router);
let wasAsked = false;
let wasSignInAsked = false;
const needsSignIn = computed(() => (wasSignInAsked ||= session.isAsked));
const needsPanels = computed(() => (wasAsked ||= prompts.packFoodId !== null || prompts.newFood !== null));

onMounted(() => {
  void book.ready();
  selectFiguresOnFocus(document);
});

/** Where what could not be fetched was asked for, a page or a panel: said, with the way to try again; what was typed stays. */
const unloaded = ref('');
useEventListener(window, 'vite:preloadError', () => (unloaded.value ||= router.currentRoute.value.fullPath));
router.onError((_, to) => (unloaded.value = to.fullPath));
router.afterEach((to, from) => {
  unloaded.value = '';
  if (to.path === from.path) return;
  prompts.close();
  session.isAsked = false;
});
/** A server that answers has a newer app than this screen: only loading the page brings what that is made of. */
async function tryAgain(): Promise<void> {
  const to = unloaded.value;
  const isThere = await server.edition().then(
    () => true,
    () => false,
  );
  if (isThere) location.assign(to);
  else if (to !== router.currentRoute.value.fullPath) await router.push(to);
}
</script>

<template>
  <a class="skip" href="#main">Skip to the work</a>
  <header v-if="!$route.meta['isBare']" class="frame">
    <RouterLink class="brand" to="/">
      <svg viewBox="0 0 32 32" aria-hidden="true">
        <path d="M4 15h17a8.5 8.5 0 0 1-17 0Z" />
        <path d="M21 15V6.5a3 3 0 0 1 6 0" />
      </svg>
      <span>Hand Ladle</span>
    </RouterLink>
    <nav aria-label="Work">
      <RouterLink to="/take-in">Take in</RouterLink>
      <RouterLink to="/" :class="{ here: /^\/(?:dishes|menu)/.test($route.path) }">Dishes</RouterLink>
      <RouterLink to="/services">Services</RouterLink>
      <RouterLink to="/cook" :class="{ here: /^\/(?:cook|records|recall)/.test($route.path) }"
        >Cook</RouterLink
      >
      <RouterLink to="/cycle">Cycle</RouterLink>
      <RouterLink to="/stock">Store</RouterLink>
      <RouterLink to="/prepare">Prepare</RouterLink>
      <RouterLink to="/labels" :class="{ here: /^\/(?:printer|people|batches)/.test($route.path) }"
        >Labels</RouterLink
      >
      <RouterLink to="/larder">Larder</RouterLink>
      <RouterLink to="/kitchen">Kitchen</RouterLink>
    </nav>
    <ScaleChip class="scale" />
    <button v-if="session.person" class="choice plain who" type="button" @click="session.signOut()">
      {{ session.person.name }}: sign out
    </button>
    <label v-if="book.kitchen" class="kitchen">
      <span class="unseen">Kitchen</span>
      <select
        :value="book.kitchen.id"
        @change="book.chooseKitchen(($event.target as HTMLSelectElement).value)"
      >
        <option v-for="each in book.kitchens" :key="each.id" :value="each.id">{{ each.name }}</option>
      </select>
    </label>
  </header>
  <div v-if="book.problem" class="problem" role="alert">
    <span>{{ book.problem }}</span>
  </div>
  <div v-else-if="awaySince && !$route.meta['isBare']" class="problem" role="status">
    <span
      >The server has not answered since {{ awaySince }}: what others wrote down since then is not known
      here.</span
    >
  </div>
  <div v-if="unloaded" class="problem" role="alert">
    <span
      >This could not be fetched: the server is away, or was updated since this screen was opened. What you
      did is kept.</span
    >
    <button class="choice" type="button" @click="tryAgain">Try again</button>
  </div>
  <main id="main" tabindex="-1">
    <RouterView />
  </main>
  <WorkPanels v-if="needsPanels" />
  <SignInPanel v-if="needsSignIn" />
</template>

<style scoped>
.skip {
  position: absolute;
  left: -999px;
}

.skip:focus {
  left: var(--space-4);
  top: var(--space-2);
  z-index: 10;
  background: var(--enamel);
  padding: var(--space-2) var(--space-4);
}

.frame {
  display: flex;
  align-items: center;
  gap: var(--space-5);
  min-height: 52px;
  padding: 0 20px;
  background: var(--enamel);
  border-bottom: 3px solid var(--rim);
}

.brand {
  display: flex;
  align-items: center;
  gap: 10px;
  color: var(--ink);
  font-size: var(--text-l);
  font-weight: 720;
  font-stretch: var(--wide);
  text-decoration: none;
  white-space: nowrap;
}

.brand svg {
  width: 30px;
  fill: none;
  stroke: var(--rim);
  stroke-width: 2.6;
  stroke-linecap: round;
}

nav {
  display: flex;
  gap: var(--space-1);
}

nav a {
  display: flex;
  align-items: center;
  min-height: var(--touch);
  padding: 0 var(--space-4);
  color: var(--ink-soft);
  font-weight: 560;
  text-decoration: none;
  white-space: nowrap;
  border-bottom: 3px solid transparent;
  margin-bottom: -3px;
  margin-top: 3px;
}

nav a:hover {
  color: var(--rim);
}

nav a.router-link-exact-active,
nav a.here {
  color: var(--rim);
  font-weight: 680;
  border-bottom-color: var(--rim);
  box-shadow: inset 0 -4px 0 var(--rim);
}

.scale {
  margin-left: auto;
}

.who {
  padding: 0 var(--space-2);
  color: var(--ink-soft);
  font-weight: 450;
}

.kitchen {
  min-width: 0;
}

.kitchen select {
  max-width: 100%;
  min-height: 40px;
  border: 0;
  background: none;
  color: var(--ink-soft);
  font-weight: 560;
  text-align: right;
  text-overflow: ellipsis;
}

.problem {
  display: flex;
  align-items: center;
  gap: var(--space-4);
  padding: var(--space-2) 20px;
  background: var(--brick-wash);
  color: var(--brick);
  font-weight: 600;
}

main:focus {
  outline: none;
}

@media (max-width: 1400px) {
  .frame {
    gap: var(--space-3);
  }

  nav a {
    padding: 0 10px;
  }
}

@media (max-width: 1120px) {
  nav a {
    padding: 0 6px;
    font-stretch: var(--narrow);
  }
}

@media (max-width: 760px) {
  .frame {
    flex-wrap: wrap;
    gap: 0 var(--space-2);
    padding: var(--space-1) var(--space-3) 0;
  }

  /* A phone stands by no scale. */
  .scale {
    display: none;
  }

  .who {
    max-width: 40%;
    overflow: hidden;
    text-overflow: ellipsis;
  }

  .kitchen {
    max-width: 55%;
    margin-left: auto;
  }

  nav {
    order: 3;
    width: 100%;
    overflow-x: auto;
  }

  nav a {
    flex: 1;
    justify-content: center;
    padding: 0 3px;
    font-size: var(--text-s);
    font-stretch: var(--narrow);
    white-space: nowrap;
  }
}
</style>
