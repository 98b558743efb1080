import { createRouter, createWebHistory } from 'vue-router'
import { useSession } from './stores/session.ts'

export const steps = [
  { name: 'brief', title: 'Brief' },
  { name: 'survey', title: 'Survey' },
  { name: 'palette', title: 'Palette' },
  { name: 'pieces', title: 'Pieces' },
  { name: 'purchases', title: 'Purchases' },
] as const

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'day', component: () => import('./day/DayPage.vue'), meta: { title: 'Day' } },
    { path: '/studio', name: 'studio', component: () => import('./studio/StudioPage.vue'), meta: { title: 'Studio' } },
    {
      path: '/sign-in',
      name: 'sign-in',
      component: () => import('./accounts/SignInPage.vue'),
      meta: { open: true, title: 'Sign in' },
    },
    {
      path: '/makeovers/:id',
      component: () => import('./frame/MakeoverFrame.vue'),
      children: [
        { path: '', redirect: { name: 'brief' } },
        { path: 'brief', name: 'brief', component: () => import('./brief/BriefPage.vue'), meta: { title: 'Brief' } },
        {
          path: 'survey',
          name: 'survey',
          component: () => import('./survey/SurveyPage.vue'),
          meta: { title: 'Survey' },
        },
        {
          path: 'palette',
          name: 'palette',
          component: () => import('./palette/PalettePage.vue'),
          meta: { title: 'Palette' },
        },
        {
          path: 'pieces',
          name: 'pieces',
          component: () => import('./pieces/PiecesPage.vue'),
          meta: { title: 'Pieces' },
        },
        {
          path: 'pieces/:pieceId',
          name: 'piece',
          component: () => import('./pieces/PiecePage.vue'),
          meta: { title: 'Pieces' },
        },
        {
          path: 'purchases',
          name: 'purchases',
          component: () => import('./purchases/PurchasesPage.vue'),
          meta: { title: 'Purchases' },
        },
        {
          path: 'history',
          name: 'history',
          component: () => import('./history/HistoryPage.vue'),
          meta: { title: 'History' },
        },
        {
          path: 'remarks',
          name: 'remarks',
          component: () => import('./remarks/RemarksPage.vue'),
          meta: { title: 'Remarks' },
        },
      ],
    },
    {
      path: '/:path(.*)*',
      name: 'nowhere',
      component: () => import('./frame/NowherePage.vue'),
      meta: { open: true, title: 'Nothing here' },
    },
  ],
})

router.beforeEach(async (to) => {
  if (to.meta.open === true && to.name !== 'sign-in') return true
  const person = await useSession()
    .ask()
    .catch(() => null)
  if (to.name === 'sign-in') return person ? { name: 'day' } : true
  return person ? true : { name: 'sign-in', query: to.fullPath === '/' ? {} : { then: to.fullPath } }
})
router.afterEach((to) => {
  document.title = typeof to.meta.title === 'string' ? `${to.meta.title} · Bonitas` : 'Bonitas'
})
