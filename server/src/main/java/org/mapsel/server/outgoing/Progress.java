package org.mapsel.server.outgoing;

/** Is told how far a document has come while it is fetched; throwing from it ends the fetching. */
@FunctionalInterface
public interface Progress {

  /** Nobody looks. */
  Progress UNSEEN = (address, bytes, length) -> {};

  /** A length that the other side did not tell. */
  long UNKNOWN = -1;

  /**
   * @param bytes how many have come so far
   * @param length how many there will be, or {@link #UNKNOWN}
   */
  void fetched(String address, long bytes, long length);
}
