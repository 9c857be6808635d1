package org.mapsel.cli;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.UnknownHostException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.channels.UnresolvedAddressException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Bundle;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Found;
import org.mapsel.core.intake.Intake;

/** Gets descriptions from files, addresses and standard input. */
final class Sources {

  private static final Duration PATIENCE = Duration.ofSeconds(30);
  private static final String STANDARD_INPUT = "-";

  private Sources() {}

  /** Reads the description at a source, with the documents that it names. */
  static Outcome<Description> read(String source) {
    return Intake.single(look(source));
  }

  /** Reads what is at a source: a description, or a list of several. */
  static Outcome<Found> look(String source) {
    if (source.equals(STANDARD_INPUT)) {
      return standardInput();
    }
    if (isRemote(source)) {
      return Intake.look(source, Sources::remote);
    }
    if (source.startsWith("file:")) {
      return Intake.look(source, Sources::fetch);
    }
    Path path = Path.of(source).toAbsolutePath();
    if (Files.isDirectory(path)) {
      return folder(path);
    }
    // A file in an archive is none of its own.
    return Files.exists(path) || source.contains("!/")
        ? Intake.look(path.toUri().toString(), Sources::fetch)
        : Outcome.failed(Finding.error("READ_SOURCE_MISSING", "source", path.toString()));
  }

  private static Outcome<Found> standardInput() {
    String address = Path.of("").toAbsolutePath().toUri() + "standard-input";
    try {
      Outcome<SourceText> given = limited(address, System.in);
      return given.value().isPresent()
          ? Intake.look(given.get(), Sources::fetch)
          : Outcome.failed(given.findings());
    } catch (IOException e) {
      return unreadable(STANDARD_INPUT, e);
    }
  }

  private static Outcome<Found> folder(Path folder) {
    List<SourceText> files = new ArrayList<>();
    long bytes = 0;
    try (Stream<Path> walk = Files.walk(folder)) {
      for (Path file : walk.filter(Files::isRegularFile).sorted().toList()) {
        bytes += Files.size(file);
        if (bytes > Limits.DESCRIPTION.maxBytes()) {
          return Outcome.failed(
              Finding.error(
                  "READ_ARCHIVE_TOO_LARGE",
                  "limit",
                  (Limits.DESCRIPTION.maxBytes() >> 20) + " MB"));
        }
        files.add(new SourceText(file.toUri().toString(), Files.readAllBytes(file)));
      }
    } catch (IOException | UncheckedIOException e) {
      return unreadable(folder.toString(), e);
    }
    Outcome<Bundle> bundle = Bundle.of(folder.toUri().toString(), files);
    return bundle.value().isPresent()
        ? Intake.look(bundle.get(), Sources::fetch)
        : Outcome.failed(bundle.findings());
  }

  /** What comes from elsewhere must not read files here. */
  private static Outcome<SourceText> remote(String address) {
    return isRemote(address)
        ? fetch(address)
        : Outcome.failed(Finding.error("READ_ADDRESS_LOCAL", "address", address));
  }

  private static boolean isRemote(String address) {
    return address.startsWith("http://") || address.startsWith("https://");
  }

  private static Outcome<SourceText> fetch(String address) {
    if (!isRemote(address) && !address.startsWith("file:")) {
      return Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address));
    }
    try {
      return isRemote(address) ? download(address) : file(address);
    } catch (NoSuchFileException e) {
      return Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address));
    } catch (IOException | IllegalArgumentException e) {
      return unreadable(address, e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return unreadable(address, e);
    }
  }

  private static <T> Outcome<T> unreadable(String address, Exception cause) {
    return Outcome.failed(
        Finding.error("READ_DOCUMENT_UNREACHABLE", "address", address, "reason", reason(cause)));
  }

  /** The first thing that is said; a host that cannot be reached says nothing. */
  private static String reason(Exception cause) {
    for (Throwable here = cause; here != null; here = here.getCause()) {
      if (here instanceof UnresolvedAddressException || here instanceof UnknownHostException) {
        return "no such host is known";
      }
      if (here.getMessage() != null && !here.getMessage().contains("Exception")) {
        return here.getMessage();
      }
    }
    return "nothing answers there";
  }

  private static Outcome<SourceText> file(String address) throws IOException {
    URI uri = URI.create(address);
    // What an address asks for means nothing to a file.
    String plain = uri.getQuery() == null ? address : address.substring(0, address.indexOf('?'));
    try (InputStream bytes = Files.newInputStream(Path.of(URI.create(plain)))) {
      return limited(address, bytes);
    }
  }

  private static Outcome<SourceText> download(String address)
      throws IOException, InterruptedException {
    try (HttpClient client =
        HttpClient.newBuilder()
            .connectTimeout(PATIENCE)
            .followRedirects(HttpClient.Redirect.NORMAL)
            .build()) {
      HttpResponse<InputStream> response =
          client.send(
              HttpRequest.newBuilder(URI.create(address)).timeout(PATIENCE).build(),
              HttpResponse.BodyHandlers.ofInputStream());
      try (InputStream body = response.body()) {
        return response.statusCode() == 200
            ? limited(address, body)
            : Outcome.failed(
                Finding.error(
                    "READ_DOCUMENT_UNREACHABLE",
                    "address",
                    address,
                    "reason",
                    "the answer has status " + response.statusCode()));
      }
    }
  }

  private static Outcome<SourceText> limited(String address, InputStream bytes) throws IOException {
    int limit = (int) Limits.DESCRIPTION.maxBytes();
    byte[] read = bytes.readNBytes(limit + 1);
    return read.length > limit
        ? Outcome.failed(Finding.error("XML_DOCUMENT_TOO_LARGE", "limit", (limit >> 20) + " MB"))
        : Outcome.of(new SourceText(address, read));
  }
}
