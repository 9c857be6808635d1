package org.mapsel.cli;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Duration;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.read.Resolver;

/** Gets descriptions from files, addresses and standard input. */
final class Sources {

  private static final Duration PATIENCE = Duration.ofSeconds(30);
  private static final String STANDARD_INPUT = "-";

  private Sources() {}

  /** Reads the description at a source, with the documents that it names. */
  static Outcome<Description> read(String source) {
    Outcome<SourceText> first = first(source);
    if (first.value().isEmpty()) {
      return Outcome.failed(first.findings());
    }
    boolean remote = isRemote(first.get().address());
    Resolver resolver =
        address ->
            remote && !isRemote(address)
                ? Outcome.failed(Finding.error("READ_ADDRESS_LOCAL", "address", address))
                : fetch(address);
    return Intake.read(first.get(), resolver);
  }

  private static Outcome<SourceText> first(String source) {
    if (source.equals(STANDARD_INPUT)) {
      String address = Path.of("").toAbsolutePath().toUri() + "standard-input";
      try {
        return limited(address, System.in);
      } catch (IOException e) {
        return unreadable(source, e);
      }
    }
    return fetch(isRemote(source) ? source : Path.of(source).toAbsolutePath().toUri().toString());
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

  private static Outcome<SourceText> unreadable(String address, Exception cause) {
    return Outcome.failed(
        Finding.error(
            "READ_DOCUMENT_UNREACHABLE",
            "address",
            address,
            "reason",
            String.valueOf(cause.getMessage())));
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
