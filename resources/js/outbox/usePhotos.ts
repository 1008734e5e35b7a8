import { useEffect, useState } from 'react'
import { store, type WaitingPhoto } from './db'
import { subscribe } from './outbox'

/** Pictures that wait on this device, of one subject or of all. */
export function useWaitingPhotos(subject?: string): WaitingPhoto[] {
  const [photos, setPhotos] = useState<WaitingPhoto[]>([])
  useEffect(() => {
    let live = true
    const read = (): void =>
      void (subject ? store.photos.where('subject').equals(subject) : store.photos).toArray().then((all) => live && setPhotos(all))
    read()
    const stop = subscribe(read)
    return () => {
      live = false
      stop()
    }
  }, [subject])
  return photos
}
