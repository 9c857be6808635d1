package org.mapsel.bench.pairing;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.service.Service;

/** Reads descriptions from files. */
final class Documents {

  private Documents() {}

  /** The service that a file describes; nothing if it describes none. */
  static Optional<Service> read(Path file) throws IOException {
    SourceText source = new SourceText(file.toUri().toString(), Files.readAllBytes(file));
    return Intake.read(source, Documents::fetch).value().map(Description::service);
  }

  private static Outcome<SourceText> fetch(String address) {
    try {
      return address.startsWith("file:")
          ? Outcome.of(new SourceText(address, Files.readAllBytes(Path.of(URI.create(address)))))
          : missing(address);
    } catch (IOException | IllegalArgumentException e) {
      return missing(address);
    }
  }

  private static Outcome<SourceText> missing(String address) {
    return Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address));
  }
}
