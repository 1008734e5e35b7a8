import '@fontsource-variable/atkinson-hyperlegible-next'
import { useTheme } from '@mui/material'
import { QueryClientProvider } from '@tanstack/react-query'
import { lazy, StrictMode, Suspense, useEffect, type ComponentType, type ReactElement } from 'react'
import { createRoot } from 'react-dom/client'
import { createBrowserRouter, Outlet, RouterProvider } from 'react-router'
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

/** A page that is loaded when somebody goes there, after the texts that it says. */
const page = (load: () => Promise<{ default: ComponentType }>) => lazy(() => moreTexts().then(load))

const LinePage = page(() => import('./line/LinePage'))
const JointPage = page(() => import('./joint/JointPage'))
const NewLine = page(() => import('./line/NewLine'))
const SectionPage = page(() => import('./section/SectionPage'))
const TestPage = page(() => import('./section/TestPage'))
const NewSection = page(() => import('./line/NewSection'))
const RegisterPage = page(() => import('./records/RegisterPage'))
const ProceduresPage = page(() => import('./procedures/ProceduresPage'))
const ReadPage = page(() => import('./procedures/ReadPage'))
const AdaptPage = page(() => import('./procedures/AdaptPage'))
const StoresPage = page(() => import('./stores/StoresPage'))
const ChangeLinePage = page(() => import('./line/ChangeLinePage'))
const LayingPage = page(() => import('./laying/LayingPage'))
const DayPage = page(() => import('./day/DayPage'))
const NearPage = page(() => import('./records/NearPage'))
const PipesPage = page(() => import('./pipes/PipesPage'))
const StretchPage = page(() => import('./stretch/StretchPage'))
const TagPage = page(() => import('./joint/TagPage'))
const WaitingPage = page(() => import('./desk/WaitingPage'))
const PeoplePage = page(() => import('./people/PeoplePage'))
const AccountPage = page(() => import('./people/AccountPage'))
const InvitedPage = page(() => import('./people/InvitedPage'))
const JournalPage = page(() => import('./people/JournalPage'))
const OrganisationPage = page(() => import('./people/OrganisationPage'))
const BenchPage = page(() => import('./bench/BenchPage'))

/** Colours of the theme for plain SVG and outlines. */
function Root(): ReactElement {
  const { colours: c } = useTheme()
  useEffect(() => {
    for (const [name, value] of Object.entries({ accent: c.accent, ink: c.ink, ground: c.ground, rule: c.rule, water: c.water }))
      document.documentElement.style.setProperty(`--${name}`, value)
  }, [c])
  return (
    <Suspense fallback={<p className="waiting">{say('app.aMoment')}</p>}>
      <Outlet />
    </Suspense>
  )
}

const pages: [path: string, page: ReactElement][] = [
  ['/', <Lines />],
  ['/sign-in', <SignIn />],
  ['/lines/new', <NewLine />],
  ['/lines/:id', <LinePage />],
  ['/lines/:id/register', <RegisterPage />],
  ['/lines/:id/sections/new', <NewSection />],
  ['/lines/:id/pipes', <PipesPage />],
  ['/lines/:id/laying', <LayingPage />],
  ['/lines/:id/day', <DayPage />],
  ['/lines/:id/near', <NearPage />],
  ['/lines/:id/change', <ChangeLinePage />],
  ['/stretches/:id', <StretchPage />],
  ['/joints/:id', <JointPage />],
  ['/joints/:id/tag', <TagPage />],
  ['/stores', <StoresPage />],
  ['/sections/:id', <SectionPage />],
  ['/tests/:id', <TestPage />],
  ['/procedures', <ProceduresPage />],
  ['/procedures/:hash', <ReadPage />],
  ['/procedures/:hash/adapt', <AdaptPage />],
  ['/bench', <BenchPage />],
  ['/waiting', <WaitingPage />],
  ['/people', <PeoplePage />],
  ['/account', <AccountPage />],
  ['/organisation', <OrganisationPage />],
  ['/organisation/journal', <JournalPage />],
  ['/invited/:token', <InvitedPage />],
  ['*', <NotFound />],
]

// A page that breaks takes no other down with it.
const router = createBrowserRouter([
  { element: <Root />, children: pages.map(([path, element]) => ({ path, element, errorElement: <Fault /> })) },
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
