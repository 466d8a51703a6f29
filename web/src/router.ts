/** The app's addresses, in the order of the work: the book, taking a dish in, the bench and its stages. */
import { createRouter, createWebHistory } from 'vue-router';
import DishesView from './views/DishesView.vue';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'dishes', component: DishesView, meta: { title: 'Dishes' } },
    {
      path: '/take-in',
      name: 'take-in',
      component: () => import('./views/TakeInView.vue'),
      meta: { title: 'Take a dish in' },
    },
    {
      path: '/larder',
      name: 'larder',
      component: () => import('./views/LarderView.vue'),
      meta: { title: 'Larder' },
    },
    {
      path: '/larder/swaps',
      name: 'swaps',
      component: () => import('./views/SwapsView.vue'),
      meta: { title: 'Swaps' },
    },
    {
      path: '/larder/packs',
      name: 'packs',
      component: () => import('./views/PacksView.vue'),
      meta: { title: 'Packs to read' },
    },
    {
      path: '/larder/import',
      name: 'import',
      component: () => import('./views/ImportView.vue'),
      meta: { title: 'Import a table' },
    },
    {
      path: '/menu',
      name: 'menu',
      component: () => import('./views/MenuView.vue'),
      meta: { title: 'Who can eat what' },
    },
    {
      path: '/prepare',
      name: 'prepare',
      component: () => import('./views/PrepareView.vue'),
      meta: { title: 'Prepare components' },
    },
    {
      path: '/kitchen',
      name: 'kitchen',
      component: () => import('./views/KitchenView.vue'),
      meta: { title: 'Kitchen' },
    },
    {
      path: '/labels',
      name: 'labels',
      component: () => import('./views/LabelsView.vue'),
      meta: { title: 'Labels' },
    },
    {
      path: '/printer',
      name: 'printer',
      component: () => import('./views/PrinterView.vue'),
      meta: { title: 'Printer' },
    },
    {
      path: '/people',
      name: 'people',
      component: () => import('./views/PeopleView.vue'),
      meta: { title: 'People and audit trail' },
    },
    {
      path: '/batches/:code',
      name: 'batch-page',
      component: () => import('./views/BatchPageView.vue'),
      props: true,
      meta: { title: 'A batch' },
    },
    {
      path: '/dishes/:id',
      component: () => import('./views/BenchView.vue'),
      props: true,
      children: [
        {
          path: '',
          component: () => import('./views/BatchStage.vue'),
          children: [
            { path: '', name: 'batch', component: () => import('./views/WeightsView.vue') },
            { path: 'loads', name: 'loads', component: () => import('./views/LoadsView.vue') },
            { path: 'mass', name: 'mass', component: () => import('./views/MassView.vue') },
            { path: 'times', name: 'times', component: () => import('./views/TimesView.vue') },
            { path: 'sheet', name: 'sheet', component: () => import('./views/SheetView.vue') },
          ],
        },
        { path: 'hazards', name: 'hazards', component: () => import('./views/HazardStage.vue') },
        { path: 'free-from', name: 'free-from', component: () => import('./views/FreeFromView.vue') },
        { path: 'compare', name: 'compare', component: () => import('./views/CompareView.vue') },
        { path: 'portion', name: 'portion', component: () => import('./views/PortionStage.vue') },
        { path: 'label', name: 'label', component: () => import('./views/LabelStage.vue') },
      ],
    },
    {
      path: '/:rest(.*)*',
      name: 'nowhere',
      component: () => import('./views/NowhereView.vue'),
      meta: { title: 'No such page' },
    },
  ],
  scrollBehavior: (to, from, saved) => saved ?? (to.path === from.path ? undefined : { top: 0 }),
});

router.afterEach((to) => {
  document.title = to.meta['title'] ? `${String(to.meta['title'])} | Hand Ladle` : 'Hand Ladle';
});
