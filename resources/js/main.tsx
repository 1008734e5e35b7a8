import '@fontsource-variable/atkinson-hyperlegible-next'
import { useTheme } from '@mui/material'
import { QueryClientProvider } from '@tanstack/react-query'
import { StrictMode, useEffect, type ComponentType, type ReactElement } from 'react'
import { createRoot } from 'react-dom/client'
import { createBrowserRouter, Outlet, RouterProvider, useNavigation, type RouteObject } from 'react-router'
import type { Me, Subject } from './api/client'
import { patch } from './api/patch'
import { queries } from './api/queries'
import Lines from './line/Lines'
import { dropOldDrafts } from './outbox/drafts'
import { keepSending, setPerson, whenAskedByWhat, whenContested, whenSent, whenStranger } from './outbox/outbox'
import { resumeRuns } from './outbox/runs'
import SignIn from './SignIn'
import { Fault } from './ui/Fault'
import { LookProvider } from './ui/settings'
import './ui/base.css'
import { moreTexts, say } from './texts/say'
import { NotFound } from './ui/NotFound'

/**
 * A page that is loaded when somebody goes there, after the texts that it says. It is the router that waits for it: where a placeholder
 * stood, React holds what comes after it back for a third of a second.
 */
const page = (load: () => Promise<{ default: ComponentType }>): Loaded => ({
  lazy: async () => {
    await moreTexts()
    return { Component: (await load()).default }
  },
})
type Loaded = Pick<RouteObject, 'lazy' | 'element'>

/** Colours of the theme for plain SVG and outlines. */
function Root(): ReactElement {
  const { colours: c } = useTheme()
  useEffect(() => {
    for (const [name, value] of Object.entries({ accent: c.accent, ink: c.ink, ground: c.ground, rule: c.rule, water: c.water }))
      document.documentElement.style.setProperty(`--${name}`, value)
  }, [c])
  return (
    <>
      <Outlet />
      {useNavigation().state === 'loading' && <Moment />}
    </>
  )
}

/** Seen where the next page is long in coming. */
const Moment = (): ReactElement => (
  <p className="waiting" role="status">
    {say('app.aMoment')}
  </p>
)

const pages: [path: string, page: Loaded][] = [
  ['/', { element: <Lines /> }],
  ['/sign-in', { element: <SignIn /> }],
  ['/lines/new', page(() => import('./line/NewLine'))],
  ['/lines/:id', page(() => import('./line/LinePage'))],
  ['/lines/:id/register', page(() => import('./records/RegisterPage'))],
  ['/lines/:id/sections/new', page(() => import('./line/NewSection'))],
  ['/lines/:id/pipes', page(() => import('./pipes/PipesPage'))],
  ['/lines/:id/laying', page(() => import('./laying/LayingPage'))],
  ['/lines/:id/day', page(() => import('./day/DayPage'))],
  ['/lines/:id/near', page(() => import('./records/NearPage'))],
  ['/lines/:id/change', page(() => import('./line/ChangeLinePage'))],
  ['/stretches/:id', page(() => import('./stretch/StretchPage'))],
  ['/joints/:id', page(() => import('./joint/JointPage'))],
  ['/joints/:id/tag', page(() => import('./joint/TagPage'))],
  ['/stores', page(() => import('./stores/StoresPage'))],
  ['/sections/:id', page(() => import('./section/SectionPage'))],
  ['/tests/:id', page(() => import('./section/TestPage'))],
  ['/procedures', page(() => import('./procedures/ProceduresPage'))],
  ['/procedures/:hash', page(() => import('./procedures/ReadPage'))],
  ['/procedures/:hash/adapt', page(() => import('./procedures/AdaptPage'))],
  ['/bench', page(() => import('./bench/BenchPage'))],
  ['/waiting', page(() => import('./desk/WaitingPage'))],
  ['/people', page(() => import('./people/PeoplePage'))],
  ['/account', page(() => import('./people/AccountPage'))],
  ['/organisation', page(() => import('./people/OrganisationPage'))],
  ['/organisation/journal', page(() => import('./people/JournalPage'))],
  ['/invited/:token', page(() => import('./people/InvitedPage'))],
  ['*', { element: <NotFound /> }],
]

// A page that breaks takes no other down with it.
const router = createBrowserRouter([
  {
    element: <Root />,
    hydrateFallbackElement: <Moment />,
    children: pages.map(([path, page]) => ({ path, ...page, errorElement: <Fault /> })),
  },
])

whenContested(() => void queries.invalidateQueries())
whenSent((subject, recorded) => patch(queries, subject, recorded))
whenAskedByWhat((subject) => queries.getQueryData<Subject>(subject.split('/'))?.procedure_hash)
// What is recorded belongs to who is signed in, as the server last said.
queries.getQueryCache().subscribe(({ type, query }) => {
  if (query.queryKey[0] !== 'me') return
  const me = query.state.data as Me | undefined
  setPerson(type === 'removed' || !me ? null : { id: me.id, name: me.name })
})
whenStranger(() => void queries.invalidateQueries({ queryKey: ['me'] }))
// On their way before anybody goes on: a page that is gone to waits for them.
moreTexts().catch(() => undefined)
keepSending()
dropOldDrafts()
void resumeRuns()
if ('serviceWorker' in navigator && import.meta.env.PROD) void navigator.serviceWorker.register('/sw.js')

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <LookProvider>
        <RouterProvider router={router} />
      </LookProvider>
    </QueryClientProvider>
  </StrictMode>,
)
