import { createRouter, createWebHistory } from 'vue-router'

import { api, attempt } from '@/api/client'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    // Where anything is due the day begins with the round, else with the machines.
    {
      path: '/',
      component: () => import('@/features/round/views/RoundView.vue'),
      beforeEnter: async () => {
        const got = await attempt(api.GET('/api/round', { params: { query: { area: '', minutes: 0 } } }))
        return got.ok && (got.data.total || got.data.begun.length || got.data.temporary.length) ? '/round' : '/machines'
      },
    },
    { path: '/round', component: () => import('@/features/round/views/RoundView.vue'), meta: { rail: 'round' } },
    {
      path: '/machines',
      component: () => import('@/features/machines/views/MachinesView.vue'),
      meta: { rail: 'machines' },
    },
    {
      path: '/machines/:id',
      component: () => import('@/features/machines/views/MachineView.vue'),
      meta: { rail: 'machines' },
      props: true,
    },
    {
      path: '/drives/:id',
      component: () => import('@/features/drive/views/DriveView.vue'),
      meta: { rail: 'machines' },
      props: true,
    },
    { path: '/jobs', component: () => import('@/features/jobs/views/JobsView.vue'), meta: { rail: 'jobs' } },
    {
      path: '/jobs/templates',
      component: () => import('@/features/jobs/views/TemplatesView.vue'),
      meta: { rail: 'jobs' },
    },
    {
      path: '/jobs/templates/:id',
      component: () => import('@/features/jobs/views/TemplateView.vue'),
      meta: { rail: 'jobs' },
      props: true,
    },
    {
      path: '/jobs/:id',
      component: () => import('@/features/jobs/views/JobView.vue'),
      meta: { rail: 'jobs', bare: true },
      props: true,
    },
    {
      path: '/drives/:id/jobs',
      component: () => import('@/features/jobs/views/StartJobView.vue'),
      meta: { rail: 'jobs' },
      props: true,
    },
    {
      path: '/drives/:id/why',
      component: () => import('@/features/why/views/WhyView.vue'),
      meta: { rail: 'machines' },
      props: true,
    },
    {
      path: '/drives/:id/dead',
      component: () => import('@/features/why/views/DeadView.vue'),
      meta: { rail: 'machines' },
      props: true,
    },
    {
      path: '/drives/:id/timeline',
      component: () => import('@/features/timeline/views/TimelineView.vue'),
      meta: { rail: 'machines' },
      props: (to) => ({ id: to.params.id, of: 'drive' }),
    },
    {
      path: '/machines/:id/timeline',
      component: () => import('@/features/timeline/views/TimelineView.vue'),
      meta: { rail: 'machines' },
      props: (to) => ({ id: to.params.id, of: 'machine' }),
    },
    {
      path: '/drives/:id/change',
      component: () => import('@/features/route/views/ChangeDriveView.vue'),
      meta: { rail: 'machines' },
      props: true,
    },
    {
      path: '/drives/:id/way',
      component: () => import('@/features/route/views/WayView.vue'),
      meta: { rail: 'machines' },
      props: true,
    },
    {
      path: '/drives/:id/speeds',
      component: () => import('@/features/speeds/views/DriveSpeedsView.vue'),
      meta: { rail: 'machines' },
      props: true,
    },
    { path: '/route', component: () => import('@/features/route/views/RouteView.vue'), meta: { rail: 'bench' } },
    {
      path: '/speeds/:task',
      component: () => import('@/features/speeds/views/SpeedTaskView.vue'),
      meta: { rail: 'bench' },
      props: true,
    },
    { path: '/report', component: () => import('@/features/report/views/ReportView.vue'), meta: { rail: 'round' } },
    { path: '/files', component: () => import('@/features/files/views/FilesView.vue'), meta: { rail: 'machines' } },
    { path: '/choose', component: () => import('@/features/choose/views/ChooseView.vue'), meta: { rail: 'bench' } },
    { path: '/what-belt', component: () => import('@/features/bench/views/WhatBeltView.vue'), meta: { rail: 'bench' } },
    { path: '/bench', component: () => import('@/features/bench/views/BenchView.vue'), meta: { rail: 'bench' } },
    {
      path: '/bench/:name',
      component: () => import('@/features/bench/views/QuestionView.vue'),
      meta: { rail: 'bench' },
      props: true,
    },
    { path: '/shelf', component: () => import('@/features/shelf/views/ShelfView.vue'), meta: { rail: 'shelf' } },
    {
      path: '/handbook',
      component: () => import('@/features/handbook/views/HandbookView.vue'),
      meta: { rail: 'handbook' },
    },
    { path: '/:rest(.*)*', component: () => import('@/features/shell/views/NotThere.vue') },
  ],
})
