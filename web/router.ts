import type { Component } from 'vue'
import { createRouter, createWebHistory, type RouteRecordRaw } from 'vue-router'
import { steps } from '#core/steps/index.ts'
import { useSession } from './stores/session.ts'

/** The page of each step is `<step>/<Title>Page.vue`; a step may have more in `<step>/routes.ts`. */
const pages = import.meta.glob<Component>('./*/*Page.vue')
const further = import.meta.glob<{ routes: RouteRecordRaw[] }>('./*/routes.ts', { eager: true })
const stepRoutes = steps.flatMap(({ name, title }): RouteRecordRaw[] => {
  const page = pages[`./${name}/${title}Page.vue`]
  if (!page) throw new Error(`the step ${name} has no page ${title}Page.vue`)
  return [{ path: name, name, component: page, meta: { title } }, ...(further[`./${name}/routes.ts`]?.routes ?? [])]
})

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
        ...stepRoutes,
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
