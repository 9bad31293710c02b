export { ArchiveCheck, eventOf, readContents, readTitle, type ArchiveFault, type ArchiveFaultCode } from './check'
export {
  ARCHIVE_VERSION,
  columnsOf,
  photoFile,
  rowsFile,
  tablesOf,
  type ArchiveContents,
  type ArchiveFormat,
  type ArchiveRow,
  type ArchiveTable,
} from './form'
