package org.mapsel.core.table;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Collections;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/**
 * Looks through an archive before somebody else unpacks it: how much it really holds, and whether
 * its XML brings declarations of its own along, which no spreadsheet needs.
 */
final class Unpacked {

  private static final byte[] DOCTYPE = "<!DOCTYPE".getBytes(StandardCharsets.US_ASCII);
  private static final int PIECE = 64 << 10;

  /** What is held in memory as a whole while a workbook is read. */
  private static final String HELD = "xl/sharedStrings.xml";

  private Unpacked() {}

  /**
   * How many bytes there are.
   *
   * @param held those of the entries that are held in memory
   */
  record Sizes(long all, long held) {}

  /**
   * Refuses what is too much.
   *
   * @param most bytes of all entries
   * @param mostHeld bytes of the entries that are held in memory
   * @throws IOException if it is too much, or no archive
   */
  static Sizes check(Path file, long most, long mostHeld) throws IOException {
    try (ZipFile zip = new ZipFile(file.toFile())) {
      long left = most;
      long held = 0;
      for (ZipEntry entry : Collections.list(zip.entries())) {
        long allowed = entry.getName().equals(HELD) ? Math.min(left, mostHeld) : left;
        try (InputStream in = zip.getInputStream(entry)) {
          long size = size(in, allowed);
          left -= size;
          held += entry.getName().equals(HELD) ? size : 0;
        }
      }
      return new Sizes(most - left, held);
    }
  }

  private static long size(InputStream in, long allowed) throws IOException {
    byte[] piece = new byte[PIECE];
    long size = 0;
    int matched = 0;
    for (int read = in.read(piece); read >= 0; read = in.read(piece)) {
      size += read;
      if (size > allowed) {
        throw new IOException("it unpacks to more than " + (allowed >> 20) + " MB");
      }
      matched = matched(piece, read, matched);
    }
    return size;
  }

  /** Wide characters have zeros between their letters. */
  private static int matched(byte[] piece, int length, int before) throws IOException {
    int matched = before;
    for (int i = 0; i < length; i++) {
      byte one = piece[i];
      if (one == 0) {
        continue;
      }
      matched = one == DOCTYPE[matched] ? matched + 1 : one == DOCTYPE[0] ? 1 : 0;
      if (matched == DOCTYPE.length) {
        throw new IOException("it holds a document type declaration, which no spreadsheet needs");
      }
    }
    return matched;
  }
}
