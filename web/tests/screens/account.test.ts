// What concerns one's own log-in and device: a password of one's own, the theme, the keys of the screen.
import { describe, expect, it } from 'vitest'
import { isDark, mode } from '@/look/theme'
import { button, dialog, entry, key, open } from './open'
import { LOST, NEVER, PEOPLE, Refusal, until } from './server'

const ME = PEOPLE.assistant.answers['/api/me']
const CHANGE = 'POST /api/me/password'
const change = () => button('Change it') as HTMLButtonElement

async function account(answer: unknown) {
  const screen = await open('assistant', '/account', { [CHANGE]: answer })
  await screen.says('Change your password')
  return screen
}
async function fill(screen: Awaited<ReturnType<typeof account>>, fresh: string, again = fresh) {
  await screen.type('The current one', 'the old pass phrase')
  await screen.type('The new one, at least', fresh)
  await screen.type('The new one again', again)
}

describe('a new password', () => {
  it('is long enough and twice the same before it is sent', async () => {
    const screen = await account(ME)
    expect(change().disabled).toBe(true)
    await fill(screen, 'short')
    expect(change().disabled).toBe(true)
    await fill(screen, 'a longer pass phrase', 'a longer pass phrase?')
    await screen.says('The two differ.')
    expect(change().disabled).toBe(true)
    await fill(screen, 'a longer pass phrase')
    await until(() => !change().disabled)
    expect(screen.page()).not.toContain('The two differ.')
    expect(screen.server.sent).toEqual([])
  })

  it('that is taken leaves no word of it on the page, and says who is logged out', async () => {
    const screen = await account(ME)
    await fill(screen, 'a longer pass phrase')
    await screen.press('Change it')
    await screen.says('Whoever was logged in with the old one is logged out.')
    expect(
      [...document.querySelectorAll<HTMLInputElement>('form input')].map((input) => input.value),
    ).toEqual(['', '', ''])
    expect(screen.server.last()!.body).toEqual({ old: 'the old pass phrase', new: 'a longer pass phrase' })
  })

  it('that is refused says why, and keeps what was typed', async () => {
    const screen = await account(new Refusal(422, 'The old password is not this one.'))
    await fill(screen, 'a longer pass phrase')
    await screen.press('Change it')
    await screen.says('The old password is not this one.')
    expect(document.querySelector<HTMLInputElement>('#new')!.value).toBe('a longer pass phrase')
    expect(screen.page()).not.toContain('is logged out')
  })

  it('is sent once while the answer is awaited', async () => {
    const screen = await account(NEVER)
    await fill(screen, 'a longer pass phrase')
    await screen.press('Change it')
    await until(() => screen.server.last())
    expect(change().disabled).toBe(true)
    change().click()
    expect(screen.server.sent).toHaveLength(1)
  })

  it('that did not arrive says that the connection is lost', async () => {
    const screen = await account(LOST)
    await fill(screen, 'a longer pass phrase')
    await screen.press('Change it')
    await until(() => document.querySelector('form [role=alert]'))
    expect(change().disabled).toBe(false)
  })
})

describe('the menu of the log-in', () => {
  async function menu() {
    const screen = await open('assistant', '/hatch')
    await until(() => button('Tomas Reed'))
    button('Tomas Reed')!.click()
    await until(() => document.querySelector('[role=menu]'))
    return screen
  }

  it('keeps the theme that was chosen on this device', async () => {
    await menu()
    expect(entry('As the device').parentElement!.getAttribute('aria-checked')).toBe('true')
    entry('Dark').click()
    await until(() => isDark.value)
    expect(localStorage.getItem('verifex-mode')).toBe('dark')
    mode.value = 'light'
    await until(() => !isDark.value)
    mode.value = 'system'
  })

  it('shows the keys of the screen, as the question mark does', async () => {
    await menu()
    entry('Keys of this screen').click()
    await until(() => dialog().includes('Keys'))
    const words = dialog()
    key('Escape', document.querySelector('[role=dialog]')!)
    await until(() => !dialog())
    key('?')
    await until(() => dialog() === words)
  })

  it('leads to the account', async () => {
    const screen = await menu()
    entry('Account and password').click()
    await screen.says('Change your password')
    expect(location.pathname).toBe('/account')
  })
})
