import { nextTick } from 'vue'
import { createRouter, createWebHistory } from 'vue-router'
import { router as texts } from '@texts/app'
import { notify } from './shared/notices'

const staff = { staff: true }

export const router = createRouter({
  history: createWebHistory('/'),
  routes: [
    { path: '/', name: 'home', component: () => import('./places/log-in/Home.vue') },
    { path: '/log-in', name: 'log-in', component: () => import('./places/log-in/LogIn.vue') },
    { path: '/floor', name: 'floor', component: () => import('./places/floor/Floor.vue'), meta: staff },
    {
      path: '/dockets/:id(\\d+)/:station?',
      name: 'docket',
      component: () => import('./places/docket/Docket.vue'),
    },
    {
      path: '/dockets/:id(\\d+)/feedback',
      name: 'feedback',
      component: () => import('./places/marks/Feedback.vue'),
    },
    {
      path: '/set-up/:part?',
      name: 'set-up',
      component: () => import('./places/set-up/SetUp.vue'),
      meta: staff,
    },
    { path: '/first-start', name: 'first-start', component: () => import('./places/log-in/FirstStart.vue') },
    { path: '/join/:code?', name: 'join', component: () => import('./places/log-in/Join.vue') },
    { path: '/hatch', name: 'hatch', component: () => import('./places/stores/Hatch.vue'), meta: staff },
    { path: '/marks', name: 'marks', component: () => import('./places/marks/Marks.vue'), meta: staff },
    {
      path: '/exercises/:version(\\d+)?',
      name: 'exercises',
      component: () => import('./places/exercises/Exercises.vue'),
      meta: staff,
    },
    { path: '/sums/:sum?', name: 'sums', component: () => import('./places/sums/Sums.vue') },
    { path: '/account', name: 'account', component: () => import('./places/account/Account.vue') },
    { path: '/my-bench', name: 'my-bench', component: () => import('./places/my-bench/MyBench.vue') },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./places/log-in/Nowhere.vue') },
  ],
})

// In a new place reading and keys begin at its top, not at the link that led there.
router.afterEach((to, from) => {
  if (from.name && to.name !== from.name)
    void nextTick(() => document.getElementById('main')?.focus({ preventScroll: true }))
})

// A place is loaded when it is first gone to: without a connection, or after an update, it cannot be.
router.onError((_, to) => {
  notify(texts.placeNotLoaded(to.path), {
    reload: true,
  })
})
