package org.mapsel.core.testing;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URL;
import java.nio.charset.StandardCharsets;
import java.util.function.UnaryOperator;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.read.Resolver;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;

/** Reads descriptions from the test classpath. */
public final class Descriptions {

  private static final String SCHEME = "test:/";

  private Descriptions() {}

  /** Documents of the test classpath, under addresses whose relative references resolve. */
  public static final Resolver RESOLVER =
      address -> {
        byte[] bytes = bytes(address);
        return bytes.length == 0
            ? Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address))
            : Outcome.of(new SourceText(address, bytes));
      };

  private static byte[] bytes(String address) {
    if (!address.startsWith(SCHEME)) {
      return new byte[0];
    }
    String path = URI.create(address).getPath();
    URL resource = Descriptions.class.getResource(path);
    if (resource == null) {
      return new byte[0];
    }
    try (InputStream in = resource.openStream()) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Reads a resource, for instance {@code /descriptions/berthing.wsdl}. */
  public static Outcome<Description> read(String resource) {
    String address = "test:" + resource;
    return Intake.read(new SourceText(address, bytes(address)), RESOLVER);
  }

  /** A service whose description is another one with some of its text changed. */
  public static Service service(String resource, UnaryOperator<String> change) {
    String address = "test:" + resource;
    String text = change.apply(new String(bytes(address), StandardCharsets.UTF_8));
    return Intake.read(new SourceText(address, text.getBytes(StandardCharsets.UTF_8)), RESOLVER)
        .get()
        .service();
  }

  /** A service whose description is a text that names no other document. */
  public static Service serviceOf(String text) {
    return Intake.read(
            new SourceText("test:/described", text.getBytes(StandardCharsets.UTF_8)), RESOLVER)
        .get()
        .service();
  }

  public static Service service(String resource) {
    return read(resource).get().service();
  }

  public static Operation operation(Service service, String name) {
    return service.getOperation(new OperationId(name));
  }
}
