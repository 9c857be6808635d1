package org.mapsel.core.intake;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.document.Archive;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.link.Linker;
import org.mapsel.core.read.DescriptionReader;
import org.mapsel.core.read.Format;
import org.mapsel.core.read.Reading;
import org.mapsel.core.read.Resolver;
import org.mapsel.core.read.odata.CsdlJsonReader;
import org.mapsel.core.read.odata.CsdlXmlReader;
import org.mapsel.core.read.odata.ServiceDocumentReader;
import org.mapsel.core.read.openapi.OpenApiReader;
import org.mapsel.core.read.sample.SampleReader;
import org.mapsel.core.read.wsdl.Wsdl20Reader;
import org.mapsel.core.read.wsdl.WsdlReader;
import org.mapsel.core.ref.Place;
import org.mapsel.core.service.Service;

/** Reads descriptions of every known format. */
public final class Intake {

  /** Every format, in the order in which they are tried. */
  private static final List<DescriptionReader> READERS =
      List.of(
          new WsdlReader(),
          new Wsdl20Reader(),
          new CsdlXmlReader(),
          new CsdlJsonReader(),
          new ServiceDocumentReader(),
          new OpenApiReader(),
          new SampleReader());

  private static final int MAX_CANDIDATES = 50;
  private static final int HEAD_BYTES = 16_384;
  private static final int SHOWN_CHARACTERS = 80;

  private Intake() {}

  /**
   * Reads a description with the documents it names; a zip file is unpacked and the description
   * found in it. There is a service whenever anything could be read, perhaps without operations;
   * findings say what could not.
   */
  public static Outcome<Description> read(SourceText source, Resolver resolver) {
    return Archive.is(source) ? readArchive(source, resolver) : readOne(source, resolver);
  }

  private static Outcome<Description> readOne(SourceText source, Resolver resolver) {
    String head = head(source.bytes());
    if (head.isBlank()) {
      return Outcome.failed(Finding.error("READ_DOCUMENT_EMPTY").at(Place.in(source.address())));
    }
    Optional<DescriptionReader> reader = reader(head);
    if (reader.isEmpty()) {
      return Outcome.failed(
          Finding.error("READ_FORMAT_UNKNOWN", "start", shown(head))
              .at(new Place(source.address(), 1, 1)));
    }
    Reading reading = new Reading(source, resolver);
    Format format = reader.get().read(source, reading);
    if (reading.declarations().isEmpty() && reading.findings().hasErrors()) {
      return Outcome.failed(reading.findings().toList());
    }
    Service service = Linker.link(reading.declarations(), reading.findings());
    return Outcome.of(
        new Description(format, service, reading.documents()), reading.findings().toList());
  }

  private static Optional<DescriptionReader> reader(String head) {
    return READERS.stream().filter(candidate -> candidate.recognises(head)).findFirst();
  }

  /**
   * The description in an archive: of several, the one that takes in the most of the others, which
   * are then parts of it.
   */
  private static Outcome<Description> readArchive(SourceText source, Resolver resolver) {
    Outcome<Archive> archive = Archive.read(source, Limits.DESCRIPTION);
    if (archive.value().isEmpty()) {
      return Outcome.failed(archive.findings());
    }
    Resolver inside =
        address ->
            archive.get().find(address).map(Outcome::of).orElseGet(() -> resolver.fetch(address));
    List<Outcome<Description>> read = new ArrayList<>();
    List<SourceText> candidates = new ArrayList<>();
    for (SourceText document : archive.get().documents()) {
      if (reader(head(document.bytes())).isPresent() && candidates.size() < MAX_CANDIDATES) {
        candidates.add(document);
        read.add(readOne(document, inside));
      }
    }
    Optional<Outcome<Description>> best =
        read.stream()
            .filter(outcome -> outcome.value().isPresent())
            .max(Comparator.comparingInt(Intake::worth));
    if (best.isEmpty()) {
      return read.isEmpty()
          ? Outcome.failed(Finding.error("READ_ARCHIVE_EMPTY").at(Place.in(source.address())))
          : read.get(0);
    }
    Set<String> taken =
        best.get().get().documents().stream().map(SourceText::address).collect(Collectors.toSet());
    List<String> others =
        candidates.stream()
            .map(SourceText::address)
            .filter(address -> !taken.contains(address))
            .toList();
    if (others.isEmpty()) {
      return best.get();
    }
    List<Finding> findings = new ArrayList<>(best.get().findings());
    findings.add(
        Finding.warning(
            "READ_ARCHIVE_SEVERAL",
            "taken",
            best.get().get().documents().get(0).address(),
            "others",
            String.join(", ", others)));
    return Outcome.of(best.get().get(), findings);
  }

  /** Callable operations count most, then documents taken in. */
  private static int worth(Outcome<Description> outcome) {
    Description description = outcome.get();
    boolean callable = !description.service().endpoints().isEmpty();
    return (callable ? 1 << 20 : 0)
        + (description.service().operations().isEmpty() ? 0 : 1 << 16)
        + description.documents().size();
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
