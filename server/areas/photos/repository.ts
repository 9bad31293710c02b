import type { Transaction } from 'sequelize'
import { Photo } from '../../database/models'

/** Keeps a photo of an organisation; one that is there stays as it is. */
export async function insertPhoto(
  row: { organisationId: string; hash: string; bytes: Buffer; createdBy: string },
  transaction?: Transaction,
): Promise<void> {
  await Photo.bulkCreate([row], { ignoreDuplicates: true, transaction })
}

export const findPhoto = async (
  organisationId: string,
  hash: string,
  transaction?: Transaction,
): Promise<Buffer | undefined> =>
  (await Photo.findOne({ attributes: ['bytes'], where: { organisationId, hash }, transaction }))?.bytes

/** Which of these an organisation has. */
export const knownPhotos = async (
  organisationId: string,
  hashes: readonly string[],
  transaction?: Transaction,
): Promise<Set<string>> =>
  new Set(
    (await Photo.findAll({ attributes: ['hash'], where: { organisationId, hash: [...hashes] }, transaction })).map(
      (p) => p.hash,
    ),
  )
