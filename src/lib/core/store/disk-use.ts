/** What the data file takes on disk, in bytes, and earlier copies of it that were put aside. */
export interface DiskUse {
  bytes: number;
  copies: number;
  bytesOfCopies: number;
}
