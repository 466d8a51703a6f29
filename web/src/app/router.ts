/** The app's addresses, in the order of the work: the book, taking a dish in, the bench and its stages. */
import { createRouter, createWebHistory } from 'vue-router';
import DishesView from '../dishes/DishesView.vue';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'dishes', component: DishesView, meta: { title: 'Dishes' } },
    {
      path: '/take-in',
      name: 'take-in',
      component: () => import('../take-in/TakeInView.vue'),
      meta: { title: 'Take a dish in' },
    },
    {
      path: '/larder',
      name: 'larder',
      component: () => import('../larder/LarderView.vue'),
      meta: { title: 'Larder' },
    },
    {
      path: '/larder/swaps',
      name: 'swaps',
      component: () => import('../swaps/SwapsView.vue'),
      meta: { title: 'Swaps' },
    },
    {
      path: '/larder/packs',
      name: 'packs',
      component: () => import('../packs/PacksView.vue'),
      meta: { title: 'Packs to read' },
    },
    {
      path: '/larder/import',
      name: 'import',
      component: () => import('../imports/ImportView.vue'),
      meta: { title: 'Import a table' },
    },
    {
      path: '/services',
      name: 'services',
      component: () => import('../service/ServicesView.vue'),
      meta: { title: 'Services' },
    },
    {
      path: '/services/:id',
      name: 'service',
      component: () => import('../service/ServiceView.vue'),
      meta: { title: 'Service' },
    },
    {
      path: '/cook',
      name: 'cook',
      component: () => import('../cook/CookView.vue'),
      meta: { title: 'At the stove' },
    },
    {
      path: '/cook/:code',
      name: 'stove',
      component: () => import('../cook/StoveView.vue'),
      props: true,
      meta: { title: 'At the stove', isBare: true },
    },
    {
      path: '/records',
      name: 'records',
      component: () => import('../records/RecordsView.vue'),
      meta: { title: 'Food safety log' },
    },
    {
      path: '/records/:code',
      name: 'record',
      component: () => import('../records/RecordView.vue'),
      props: true,
      meta: { title: 'Production record' },
    },
    {
      path: '/recall',
      name: 'recall',
      component: () => import('../records/RecallView.vue'),
      meta: { title: 'Recall' },
    },
    {
      path: '/cycle',
      name: 'cycle',
      component: () => import('../cycle/CycleView.vue'),
      meta: { title: 'Cycle menu' },
    },
    {
      path: '/stock',
      name: 'stock',
      component: () => import('../stock/StockView.vue'),
      meta: { title: 'In store' },
    },
    {
      path: '/menu',
      name: 'menu',
      component: () => import('../menu/MenuView.vue'),
      meta: { title: 'Who can eat what' },
    },
    {
      path: '/prepare',
      name: 'prepare',
      component: () => import('../prepare/PrepareView.vue'),
      meta: { title: 'Prepare components' },
    },
    {
      path: '/kitchen',
      name: 'kitchen',
      component: () => import('../kitchen/KitchenView.vue'),
      meta: { title: 'Kitchen' },
    },
    {
      path: '/labels',
      name: 'labels',
      component: () => import('../label/LabelsView.vue'),
      meta: { title: 'Labels' },
    },
    {
      path: '/printer',
      name: 'printer',
      component: () => import('../devices/PrinterView.vue'),
      meta: { title: 'Printer' },
    },
    {
      path: '/people',
      name: 'people',
      component: () => import('../people/PeopleView.vue'),
      meta: { title: 'People and audit trail' },
    },
    {
      path: '/batches/:code',
      name: 'batch-page',
      component: () => import('../label/BatchPageView.vue'),
      props: true,
      meta: { title: 'A batch' },
    },
    {
      path: '/dishes/:id',
      component: () => import('../bench/BenchView.vue'),
      props: true,
      children: [
        {
          path: '',
          component: () => import('../batch/BatchStage.vue'),
          children: [
            { path: '', name: 'batch', component: () => import('../batch/WeightsView.vue') },
            { path: 'loads', name: 'loads', component: () => import('../batch/LoadsView.vue') },
            { path: 'mass', name: 'mass', component: () => import('../batch/MassView.vue') },
            { path: 'times', name: 'times', component: () => import('../batch/TimesView.vue') },
            { path: 'sheet', name: 'sheet', component: () => import('../batch/SheetView.vue') },
          ],
        },
        { path: 'hazards', name: 'hazards', component: () => import('../allergens/HazardStage.vue') },
        { path: 'free-from', name: 'free-from', component: () => import('../allergens/FreeFromView.vue') },
        { path: 'compare', name: 'compare', component: () => import('../allergens/CompareView.vue') },
        { path: 'portion', name: 'portion', component: () => import('../portion/PortionStage.vue') },
        { path: 'label', name: 'label', component: () => import('../label/LabelStage.vue') },
      ],
    },
    {
      path: '/:rest(.*)*',
      name: 'nowhere',
      component: () => import('./NowhereView.vue'),
      meta: { title: 'No such page' },
    },
  ],
  scrollBehavior: (to, from, saved) => saved ?? (to.path === from.path ? undefined : { top: 0 }),
});

router.afterEach((to) => {
  document.title = to.meta['title'] ? `${String(to.meta['title'])} | Hand Ladle` : 'Hand Ladle';
});
