/** A test that is signed, for the pressure that is asked of its section today. */
export const isProving = (test: { state: string; asked_kpa?: number | null | undefined }): boolean =>
  test.state === 'accepted' && !test.asked_kpa
