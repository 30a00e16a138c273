import { createApp, h } from 'vue'
import { afterEach, describe, expect, it, vi } from 'vitest'
import ActButton from './ActButton.vue'

const apps: ReturnType<typeof createApp>[] = []

function shown(why: string | null, onPress = vi.fn()) {
  const place = document.createElement('div')
  document.body.append(place)
  const app = createApp({
    render: () => h(ActButton, { why, onPress }, () => 'Plan it'),
  })
  app.mount(place)
  apps.push(app)
  const button = place.querySelector('button')
  if (!button) throw new Error('no button')
  return { place, button, onPress }
}

afterEach(() => {
  apps.splice(0).forEach((app) => app.unmount())
  document.body.innerHTML = ''
})

describe('a button that says why it cannot be pressed', () => {
  it('says the reason beside it, for eyes and for a screen reader', () => {
    const { place, button, onPress } = shown('Give a parade day, or say: when it is done')
    expect(button.disabled).toBe(true)
    const id = button.getAttribute('aria-describedby')
    expect(place.querySelector(`[id="${id}"]`)?.textContent).toContain('Give a parade day')
    button.click()
    expect(onPress).not.toHaveBeenCalled()
  })
  it('says nothing and acts where it can be pressed', () => {
    const { place, button, onPress } = shown(null)
    expect(button.disabled).toBe(false)
    expect(button.getAttribute('aria-describedby')).toBeNull()
    expect(place.textContent.trim()).toBe('Plan it')
    button.click()
    expect(onPress).toHaveBeenCalledTimes(1)
  })
})
