package org.mapsel.bench;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.serve.StandIn;
import org.mapsel.core.service.Service;

/** Reads descriptions from files; what they refer to elsewhere is missing. */
public final class Documents {

  private Documents() {}

  /** The files of a folder that may be descriptions, in their order; a file by itself. */
  static List<Path> in(Path folder) throws IOException {
    try (var files = Files.walk(folder)) {
      return files
          .filter(path -> path.toString().matches(".*\\.(wsdl|xml|json|ya?ml)"))
          .sorted()
          .toList();
    }
  }

  static SourceText source(Path file) throws IOException {
    return new SourceText(file.toUri().toString(), Files.readAllBytes(file));
  }

  /** What a file describes; nothing if it describes no service. */
  public static Optional<Description> read(Path file) throws IOException {
    return Intake.read(source(file), Documents::fetch).value();
  }

  /** A service at the addresses where a stand-in has its endpoints. */
  static Service played(Service described) {
    Map<EndpointId, String> addresses = new HashMap<>();
    described
        .endpoints()
        .forEach(one -> addresses.put(one.id(), "http://localhost:1" + StandIn.path(one)));
    return described.at(addresses);
  }

  private static Outcome<SourceText> fetch(String address) {
    try {
      return address.startsWith("file:")
          ? Outcome.of(source(Path.of(URI.create(address))))
          : missing(address);
    } catch (IOException | IllegalArgumentException e) {
      return missing(address);
    }
  }

  private static Outcome<SourceText> missing(String address) {
    return Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address));
  }
}
