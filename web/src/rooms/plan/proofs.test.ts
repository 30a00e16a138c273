import { describe, expect, it } from 'vitest'
import { proofWords } from './proofs'

describe('what a proof adds to its reason', () => {
  it('says how much sooner the call starts without it', () => {
    expect(proofWords(1500)).toBe(' (25 min sooner without)')
    expect(proofWords(3 * 86_400)).toBe(' (3 days sooner without)')
  })
  it('says so where it holds nothing, and nothing where it cannot be taken away', () => {
    expect(proofWords(0)).toBe(' (does not hold it)')
    expect(proofWords(null)).toBe('')
    expect(proofWords(undefined)).toBe('')
  })
})
