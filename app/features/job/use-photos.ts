import { ref } from 'vue'
import type { JobEvent, Payload } from '../../../core/job'
import { dropPhoto, keepPhoto, NoRoomError } from '../../data/photos'
import { PhotoError, shrinkPhoto } from '../../data/shrink-photo'

type About = Extract<Payload, { type: 'photo' }>['about']

const SAYS = {
  'not-a-picture': 'This browser cannot draw that file: choose a photo (JPEG, PNG or WebP).',
  'cut-short': 'That file ends before the picture is whole. Take the photo again, or copy the file again.',
} as const

/** Takes photos into a job: shrunk, kept on the device, then entered like anything else. */
export function usePhotos(person: string, job: string, enter: (payload: Payload) => Promise<JobEvent | undefined>) {
  const busy = ref(false)
  /** Why the last file was not taken; empty when it was. */
  const fault = ref('')

  /** @returns the hash of the photo, or `undefined` where it was not taken */
  async function add(file: Blob, about: About): Promise<string | undefined> {
    busy.value = true
    fault.value = ''
    try {
      const { photo, width, height } = await shrinkPhoto(file)
      const hash = await keepPhoto(person, job, photo)
      if (await enter({ type: 'photo', photo: hash, width, height, about })) return hash
      await dropPhoto(person, hash)
      return undefined
    } catch (error) {
      fault.value =
        error instanceof PhotoError
          ? SAYS[error.code]
          : `The photo could not be kept on this device${error instanceof NoRoomError ? ': there is no room left' : ''}. Nothing else is lost. Make room, or write labels without a photo.`
      return undefined
    } finally {
      busy.value = false
    }
  }
  return { busy, fault, add }
}
