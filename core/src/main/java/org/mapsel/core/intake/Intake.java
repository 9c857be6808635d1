package org.mapsel.core.intake;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.link.Linker;
import org.mapsel.core.read.DescriptionReader;
import org.mapsel.core.read.Reading;
import org.mapsel.core.read.Resolver;
import org.mapsel.core.read.wsdl.WsdlReader;
import org.mapsel.core.ref.Place;
import org.mapsel.core.service.Service;

/** Reads descriptions of every known format. */
public final class Intake {

  /** Every format, in the order in which they are tried. */
  private static final List<DescriptionReader> READERS = List.of(new WsdlReader());

  private static final int HEAD_BYTES = 16_384;
  private static final int SHOWN_CHARACTERS = 80;

  private Intake() {}

  /**
   * Reads a description with the documents it names. There is a service whenever at least one
   * operation could be read; findings say what could not.
   */
  public static Outcome<Description> read(SourceText source, Resolver resolver) {
    String head = head(source.bytes());
    if (head.isBlank()) {
      return Outcome.failed(Finding.error("READ_DOCUMENT_EMPTY").at(Place.in(source.address())));
    }
    Optional<DescriptionReader> reader =
        READERS.stream().filter(candidate -> candidate.recognises(head)).findFirst();
    if (reader.isEmpty()) {
      return Outcome.failed(
          Finding.error("READ_FORMAT_UNKNOWN", "start", shown(head))
              .at(new Place(source.address(), 1, 1)));
    }
    Reading reading = new Reading(source, resolver);
    reader.get().read(source, reading);
    Service service = Linker.link(reading.declarations(), reading.findings());
    if (service.operations().isEmpty()) {
      return Outcome.failed(reading.findings().toList());
    }
    return Outcome.of(
        new Description(reader.get().format(), service, reading.documents()),
        reading.findings().toList());
  }

  /** Enough of the start to tell formats apart, whether it is UTF-16 or anything ASCII-like. */
  private static String head(byte[] bytes) {
    int length = Math.min(bytes.length, HEAD_BYTES);
    boolean wide = length > 3 && (bytes[0] == 0 || bytes[1] == 0 || (bytes[0] & 0xfe) == 0xfe);
    boolean littleEndian = wide && (bytes[1] == 0 || (bytes[0] & 0xff) == 0xff);
    Charset charset =
        !wide
            ? StandardCharsets.UTF_8
            : littleEndian ? StandardCharsets.UTF_16LE : StandardCharsets.UTF_16BE;
    return new String(bytes, 0, length, charset);
  }

  private static String shown(String head) {
    String line = head.strip().replaceAll("\\s+", " ");
    return line.length() <= SHOWN_CHARACTERS ? line : line.substring(0, SHOWN_CHARACTERS) + "…";
  }
}
