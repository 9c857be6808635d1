package org.mapsel.core.document;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.ref.Place;

/**
 * The documents in a zip file. Each has the address {@code archive!/path}, so that what they name
 * relative to themselves is found beside them.
 */
public final class Archive {

  private static final String INSIDE = "!/";
  private static final int MAX_ENTRIES = 20_000;

  private final Map<String, SourceText> documents;

  private Archive(Map<String, SourceText> documents) {
    this.documents = documents;
  }

  public static boolean is(SourceText source) {
    byte[] bytes = source.bytes();
    return bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] == 3 && bytes[3] == 4;
  }

  /** The address of the archive that an address leads into; nothing for a plain address. */
  public static Optional<String> around(String address) {
    int inside = address.indexOf(INSIDE);
    return inside < 0 ? Optional.empty() : Optional.of(address.substring(0, inside));
  }

  /** Reads everything in it, as far as the limit goes for all of it together. */
  public static Outcome<Archive> read(SourceText source, Limits limits) {
    Map<String, SourceText> documents = new LinkedHashMap<>();
    long left = limits.maxBytes();
    try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(source.bytes()))) {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        if (entry.isDirectory()) {
          continue;
        }
        byte[] bytes = zip.readNBytes((int) Math.min(left + 1, Integer.MAX_VALUE - 8));
        left -= bytes.length;
        if (left < 0 || documents.size() >= MAX_ENTRIES) {
          return Outcome.failed(
              Finding.error("READ_ARCHIVE_TOO_LARGE", "limit", (limits.maxBytes() >> 20) + " MB")
                  .at(Place.in(source.address())));
        }
        String address = source.address() + INSIDE + entry.getName().replace(" ", "%20");
        documents.put(address, new SourceText(address, bytes));
      }
    } catch (ZipException e) {
      return Outcome.failed(
          Finding.error("READ_ARCHIVE_BROKEN", "reason", String.valueOf(e.getMessage()))
              .at(Place.in(source.address())));
    } catch (IOException e) {
      return Outcome.failed(
          Finding.error("READ_ARCHIVE_BROKEN", "reason", "it is cut short")
              .at(Place.in(source.address())));
    }
    return Outcome.of(new Archive(documents));
  }

  /** Every document, in the order of the archive. */
  public Iterable<SourceText> documents() {
    return documents.values();
  }
}
