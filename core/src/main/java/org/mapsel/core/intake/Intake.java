package org.mapsel.core.intake;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.mapsel.core.document.AddressSecrets;
import org.mapsel.core.document.Archive;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.link.Linker;
import org.mapsel.core.read.DescriptionReader;
import org.mapsel.core.read.Format;
import org.mapsel.core.read.Reading;
import org.mapsel.core.read.Resolver;
import org.mapsel.core.read.catalogue.CatalogueEntry;
import org.mapsel.core.read.catalogue.CatalogueReader;
import org.mapsel.core.read.catalogue.LinkPageReader;
import org.mapsel.core.read.catalogue.LinksetReader;
import org.mapsel.core.read.odata.CsdlJsonReader;
import org.mapsel.core.read.odata.CsdlXmlReader;
import org.mapsel.core.read.odata.ServiceDocumentReader;
import org.mapsel.core.read.openapi.OpenApiReader;
import org.mapsel.core.read.sample.SampleReader;
import org.mapsel.core.read.wsdl.Wsdl20Reader;
import org.mapsel.core.read.wsdl.WsdlReader;
import org.mapsel.core.ref.Place;
import org.mapsel.core.service.Service;

/** Reads descriptions of every known format, and lists of them. */
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

  /** Nobody has said of anything that looks secret that it is none. */
  private static final Predicate<String> NONE_PLAIN = name -> false;

  /** Of so many given together each is read to see which are services of their own. */
  private static final int MAX_TRIED = 50;

  private static final int HEAD_BYTES = 16_384;
  private static final int SHOWN_CHARACTERS = 80;

  /** Every kind of list, in the order in which they are tried. */
  private static final List<CatalogueReader> CATALOGUES =
      List.of(new LinksetReader(), new LinkPageReader());

  private Intake() {}

  /**
   * Reads a description, or the list if it is a catalogue of several. There is a description
   * whenever anything could be read, perhaps without operations; findings say what could not.
   *
   * @param resolver gets the documents that the description names
   */
  public static Outcome<Found> look(SourceText source, Resolver resolver) {
    if (!Archive.is(source)) {
      return lookAtOne(source, resolver, NONE_PLAIN);
    }
    Outcome<Bundle> bundle = Bundle.of(source.address(), List.of(source));
    return bundle.value().isPresent()
        ? look(bundle.get(), resolver)
        : Outcome.failed(bundle.findings());
  }

  /**
   * Reads what an address leads to, which may be a file inside an archive: {@code archive!/path}.
   */
  public static Outcome<Found> look(String address, Resolver resolver) {
    Optional<SourceText> archive =
        Archive.around(address).flatMap(around -> resolver.fetch(around).value());
    if (archive.filter(Archive::is).isPresent()) {
      Outcome<Bundle> bundle = Bundle.of(archive.get().address(), List.of(archive.get()));
      return bundle.value().isPresent()
          ? look(bundle.get(), address, resolver)
          : Outcome.failed(bundle.findings());
    }
    Outcome<SourceText> fetched = resolver.fetch(address);
    return fetched.value().isPresent()
        ? look(fetched.get(), resolver)
        : Outcome.failed(fetched.findings());
  }

  /** Reads one of the documents that were given together. */
  public static Outcome<Found> look(Bundle bundle, String address, Resolver resolver) {
    return bundle
        .find(address)
        .map(document -> lookAtOne(document, bundle.before(resolver), bundle::isPlain))
        .orElseGet(
            () -> Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address)));
  }

  /** Reads the description among documents that were given together, or lists what they are. */
  public static Outcome<Found> look(Bundle bundle, Resolver resolver) {
    Resolver inside = bundle.before(resolver);
    List<SourceText> documents = bundle.documents();
    if (documents.size() == 1) {
      return lookAtOne(documents.get(0), inside, bundle::isPlain);
    }
    List<SourceText> candidates =
        documents.stream().filter(document -> reader(head(document.bytes())).isPresent()).toList();
    if (candidates.isEmpty()) {
      return Outcome.failed(Finding.error("READ_ARCHIVE_EMPTY").at(Place.in(bundle.address())));
    }
    List<SourceText> roots = bundle.unnamed(candidates);
    if (roots.size() > 1 && roots.size() <= MAX_TRIED) {
      roots = callable(roots, inside);
    }
    return roots.size() == 1
        ? lookAtOne(roots.get(0), inside, bundle::isPlain)
        : Outcome.of(
            new Catalogue(
                bundle.address(), roots.stream().map(root -> entry(bundle, root)).toList()));
  }

  /** Those with operations; what has none is mostly a part that is named in another way. */
  private static List<SourceText> callable(List<SourceText> roots, Resolver resolver) {
    List<SourceText> callable =
        roots.stream()
            .filter(
                root ->
                    readOne(root, resolver, NONE_PLAIN)
                        .value()
                        .filter(read -> !read.service().operations().isEmpty())
                        .isPresent())
            .toList();
    return callable.isEmpty() ? roots.subList(0, 1) : callable;
  }

  private static CatalogueEntry entry(Bundle bundle, SourceText root) {
    String path = root.address().substring(bundle.address().length()).replaceFirst("^!/", "");
    return new CatalogueEntry(path.replace("%20", " "), root.address(), "");
  }

  /** Reads one description; a list of several is not read. */
  public static Outcome<Description> read(SourceText source, Resolver resolver) {
    return single(look(source, resolver));
  }

  /**
   * Reads a description from all of its documents as they are kept, the first one first; nothing is
   * fetched.
   */
  public static Outcome<Description> read(List<SourceText> documents) {
    Resolver kept =
        address ->
            documents.stream()
                .filter(document -> document.address().equals(address))
                .findFirst()
                .map(Outcome::of)
                .orElseGet(
                    () ->
                        Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address)));
    // What was secret in them went when they were read first.
    Outcome<Found> found = lookAtOne(documents.get(0), kept, name -> true);
    return single(found);
  }

  /** Takes what was found for one description, or says that it is a list. */
  public static Outcome<Description> single(Outcome<Found> found) {
    if (found.value().isPresent() && found.get() instanceof Catalogue catalogue) {
      return Outcome.failed(
          Finding.error(
                  "READ_CATALOGUE_GIVEN",
                  "count",
                  String.valueOf(catalogue.entries().size()),
                  "first",
                  catalogue.entries().get(0).address())
              .at(Place.in(catalogue.address())));
    }
    return new Outcome<>(found.value().map(Description.class::cast), found.findings());
  }

  private static Outcome<Found> lookAtOne(
      SourceText source, Resolver resolver, Predicate<String> plain) {
    String head = head(source.bytes());
    Optional<CatalogueReader> catalogue =
        reader(head).isPresent()
            ? Optional.empty()
            : CATALOGUES.stream().filter(candidate -> candidate.recognises(head)).findFirst();
    if (catalogue.isEmpty()) {
      Outcome<Description> read = readOne(source, resolver, plain);
      return new Outcome<>(read.value().map(Found.class::cast), read.findings());
    }
    Findings findings = new Findings();
    List<CatalogueEntry> entries = catalogue.get().read(source, findings);
    if (entries.isEmpty()) {
      findings.add(Finding.error("READ_CATALOGUE_EMPTY").at(Place.in(source.address())));
      return Outcome.failed(findings.toList());
    }
    return Outcome.of(new Catalogue(source.address(), entries), findings.toList());
  }

  private static Outcome<Description> readOne(
      SourceText source, Resolver resolver, Predicate<String> plain) {
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
    Reading reading = new Reading(source, resolver, plain);
    Format format = reader.get().read(source, reading);
    if (reading.declarations().isEmpty() && reading.findings().hasErrors()) {
      return Outcome.failed(reading.findings().toList());
    }
    reading.declarations().settle(reading.findings());
    Service service = Linker.link(reading.declarations(), reading.findings());
    List<SourceText> documents = withoutSecrets(reading);
    return Outcome.of(new Description(format, service, documents), reading.findings().toList());
  }

  /** The documents as they may be kept, and seen by everybody. */
  private static List<SourceText> withoutSecrets(Reading reading) {
    List<SourceText> kept = new ArrayList<>();
    for (SourceText document : reading.documents()) {
      Set<String> names = new LinkedHashSet<>();
      kept.add(reading.isClean(document) ? document : AddressSecrets.hiddenIn(document, names));
      for (String name : names) {
        reading
            .findings()
            .add(
                Finding.note("READ_ADDRESS_TELLS_SECRET", "name", name)
                    .at(Place.in(document.address())));
      }
    }
    return kept;
  }

  private static Optional<DescriptionReader> reader(String head) {
    return READERS.stream().filter(candidate -> candidate.recognises(head)).findFirst();
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
