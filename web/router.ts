import type { Component } from 'vue'
import { createRouter, createWebHistory, type RouteRecordRaw } from 'vue-router'
import { useSession } from './stores/session.ts'

/**
 * The pages of a makeover: `<folder>/<Folder>Page.vue`, so a step's page is there once its folder is. More pages of a step
 * are in `<folder>/routes.ts`. The core's list of steps is not read here: it would bring all of the core to the day page.
 */
const pages = import.meta.glob<Component>(['./*/*Page.vue', '!./day/*', '!./studio/*'])
const further = import.meta.glob<{ routes: RouteRecordRaw[] }>('./*/routes.ts', { eager: true })
const makeoverPages = Object.entries(pages).flatMap(([path, component]): RouteRecordRaw[] => {
  const [, folder = '', title = ''] = /^\.\/(\w+)\/(\w+)Page\.vue$/.exec(path) ?? []
  return title.toLowerCase() === folder ? [{ path: folder, name: folder, component, meta: { title } }] : []
})

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'day', component: () => import('./day/DayPage.vue'), meta: { title: 'Day' } },
    { path: '/studio', name: 'studio', component: () => import('./studio/StudioPage.vue'), meta: { title: 'Studio' } },
    {
      path: '/calculators/:which?',
      name: 'calculators',
      component: () => import('./calculators/ReckonPage.vue'),
      meta: { title: 'Calculators' },
    },
    {
      path: '/sign-in',
      name: 'sign-in',
      component: () => import('./accounts/SignInPage.vue'),
      meta: { open: true, title: 'Sign in' },
    },
    ...[
      ['record', 'The record and the post', () => import('./studio/RecordPage.vue')] as const,
      ['sellers', 'The sellers’ book', () => import('./studio/SellersPage.vue')] as const,
      ['stock', 'The studio’s stock', () => import('./studio/StockPage.vue')] as const,
    ].map(([path, title, component]) => ({
      path: `/studio/${path}`,
      name: `studio-${path}`,
      component,
      meta: { title },
    })),
    {
      path: '/join',
      name: 'join',
      component: () => import('./accounts/JoinPage.vue'),
      meta: { open: true, title: 'Come into a studio' },
    },
    {
      path: '/another-password',
      name: 'another-password',
      component: () => import('./accounts/AnotherPasswordPage.vue'),
      meta: { open: true, title: 'Another password' },
    },
    {
      path: '/makeovers/:id',
      component: () => import('./frame/MakeoverFrame.vue'),
      children: [
        { path: '', redirect: { name: 'brief' } },
        ...makeoverPages,
        ...Object.values(further).flatMap(({ routes }) => routes),
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
