import { createRouter, createWebHistory } from 'vue-router'

export const router = createRouter({
  history: createWebHistory('/'),
  routes: [
    { path: '/', name: 'home', component: () => import('./places/log-in/Home.vue') },
    { path: '/log-in', name: 'log-in', component: () => import('./places/log-in/LogIn.vue') },
    { path: '/floor', name: 'floor', component: () => import('./places/floor/Floor.vue') },
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
    { path: '/hatch', name: 'hatch', component: () => import('./places/stores/Hatch.vue') },
    { path: '/marks', name: 'marks', component: () => import('./places/marks/Marks.vue') },
    {
      path: '/exercises/:version(\\d+)?',
      name: 'exercises',
      component: () => import('./places/exercises/Exercises.vue'),
    },
    { path: '/sums/:sum?', name: 'sums', component: () => import('./places/sums/Sums.vue') },
    { path: '/account', name: 'account', component: () => import('./places/account/Account.vue') },
    { path: '/my-bench', name: 'my-bench', component: () => import('./places/my-bench/MyBench.vue') },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./places/log-in/Nowhere.vue') },
  ],
})
