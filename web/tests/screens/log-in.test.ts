// Coming in and leaving: where one wanted to go, a first password, an empty installation, drafts that would be seen.
import { describe, expect, it } from 'vitest'
import { router } from '@/router'
import { button, dialog, entry, open } from './open'
import { PEOPLE, Refusal, until } from './server'

const ME = (PEOPLE.instructor.answers as Record<string, unknown>)['/api/me'] as object
const NOBODY = { ...ME, name: '', kind: '', sections: [], pair: '' }
const at = () => router.currentRoute.value.fullPath

async function logIn(address: string, answer: unknown) {
  const screen = await open('instructor', address, { '/api/me': NOBODY, 'POST /api/log-in': answer })
  await screen.type('Log-in', ' ines.marlow ')
  await screen.type('Password', 'a pass phrase')
  screen.find('form')!.dispatchEvent(new Event('submit', { cancelable: true }))
  return screen
}

describe('the log-in', () => {
  it('leads to where one wanted to go', async () => {
    const { server } = await logIn('/log-in?next=/marks', ME)
    await until(() => at() === '/marks')
    expect(server.sent[0]!.body).toEqual({ username: 'ines.marlow', password: 'a pass phrase' })
  })

  it('never leads out of the application', async () => {
    await logIn('/log-in?next=//elsewhere.example/marks', ME)
    await until(() => !at().startsWith('/log-in'))
    expect(at()).not.toContain('elsewhere')
  })

  it('says why it is refused and keeps the name', async () => {
    const { says, find } = await logIn('/log-in', new Refusal(401, 'Name or password is wrong.'))
    await says('Name or password is wrong.')
    expect(find<HTMLInputElement>('#name')!.value).toBe(' ines.marlow ')
  })
})

describe('a password that was printed', () => {
  it('is changed before anything else', async () => {
    const { says, type, press, server } = await open('instructor', '/floor', {
      '/api/me': { ...ME, change_password: true },
      'POST /api/me/password': ME,
    })
    await says('was printed on paper')
    expect(at()).toBe('/account')
    await type('The current one', 'printed-word')
    await type('The new one', 'a longer pass phrase')
    expect(button('Change it')).toHaveProperty('disabled', true)
    await type('The new one again', 'a longer pass phrase')
    await press('Change it')
    await until(() => at() !== '/account')
    expect(server.sent[0]!.body).toEqual({ old: 'printed-word', new: 'a longer pass phrase' })
  })
})

describe('an empty installation', () => {
  it('makes its first instructor, with a log-in proposed from the name', async () => {
    const { type, find, server, says } = await open('instructor', '/floor', {
      '/api/me': { ...NOBODY, first_start: true },
      'POST /api/first-start': ME,
    })
    await says('The first instructor')
    await type('One-time code', 'abcd-efgh-ijkl')
    await type('Your name', 'Marlow, Inés')
    const logInName = [...document.querySelectorAll('input')].find((field) => field.value === 'i.marlow')
    expect(logInName, 'first letter and last name, without accents').toBeTruthy()
    expect(document.querySelectorAll('input[type=password]'), 'nobody reads them on the screen').toHaveLength(
      2,
    )
    for (const field of document.querySelectorAll<HTMLInputElement>('input[type=password]')) {
      field.value = 'a longer pass phrase'
      field.dispatchEvent(new Event('input'))
    }
    find('form')!.dispatchEvent(new Event('submit', { cancelable: true }))
    await until(() => server.last())
    expect(server.last()!.body).toMatchObject({ code: 'abcd-efgh-ijkl', log_in: 'i.marlow' })
    await until(() => at().startsWith('/set-up'))
  })
})

describe('leaving', () => {
  const leave = async (changes: Record<string, unknown> = {}) => {
    const screen = await open('instructor', '/sums', { 'POST /api/log-out': NOBODY, ...changes })
    await until(() => button('Ines Marlow'))
    button('Ines Marlow')!.click()
    await until(() => document.querySelector('[role=menu]'))
    entry('Log out').click()
    return screen
  }

  it('goes to the log-in and forgets what was known of others', async () => {
    const { queries } = await leave()
    await until(() => at() === '/log-in')
    expect(
      queries
        .getQueryCache()
        .getAll()
        .map((query) => query.queryKey[0]),
    ).toEqual(['me'])
  })

  it('says first that drafts of this browser go with it', async () => {
    for (const docket of [1, 2])
      localStorage.setItem(
        `verifex-draft-${docket}-wiring`,
        JSON.stringify({ text: 'x', token: 't', basedOn: 0 }),
      )
    const { press } = await leave()
    await until(() => dialog().includes('2 drafts that were not handed in are kept in this browser.'))
    await press('Delete and log out')
    await until(() => at() === '/log-in')
    expect(Object.keys(localStorage).filter((name) => name.includes('draft'))).toEqual([])
  })
})
