import { useEffect, useState } from 'react'
import { store, type WaitingPhoto } from './db'
import { subscribe } from './outbox'

/** Pictures of a subject that wait on this device. */
export function useWaitingPhotos(subject: string): WaitingPhoto[] {
  const [photos, setPhotos] = useState<WaitingPhoto[]>([])
  useEffect(() => {
    let live = true
    const read = (): void => void store.photos.where('subject').equals(subject).toArray().then((all) => live && setPhotos(all))
    read()
    const stop = subscribe(read)
    return () => {
      live = false
      stop()
    }
  }, [subject])
  return photos
}
