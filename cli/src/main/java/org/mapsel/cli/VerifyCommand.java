package org.mapsel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.appfile.ServiceDescription;
import org.mapsel.core.call.Caller;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.verify.Deviation;
import org.mapsel.core.verify.Sample;
import org.mapsel.core.verify.Verdict;
import org.mapsel.core.verify.Verifier;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Runs checks against the services that they are of. */
@Command(
    name = "verify",
    description = "Ask services once more and compare with what is known of their answers.")
final class VerifyCommand implements Callable<Integer> {

  private final Console console;

  @Parameters(
      paramLabel = "APP.json|FOLDER",
      description = "An app file with samples, or a folder of samples, a JSON file each.")
  private Path checks = Path.of("");

  @Option(
      names = "--service",
      paramLabel = "NAME=SOURCE",
      description = "Where the description of a service is; once a service.")
  private Map<String, String> sources = Map.of();

  @Option(
      names = "--endpoint",
      paramLabel = "URL",
      description = "Ask there instead of where the description says.")
  private @Nullable String endpoint;

  @Option(
      names = "--header",
      paramLabel = "NAME=VALUE",
      description = "Sent along, as for a key; once a header.")
  private Map<String, String> headers = Map.of();

  @Option(names = "--junit", paramLabel = "FILE", description = "Write JUnit XML there.")
  private @Nullable Path junit;

  VerifyCommand(Console console) {
    this.console = console;
  }

  @Override
  public Integer call() {
    List<Sample> samples =
        Files.isDirectory(checks)
            ? SampleFiles.read(console, checks)
            : AppArgument.samples(console, checks);
    List<Sample> pinned = samples.stream().filter(sample -> sample.check().isPresent()).toList();
    if (pinned.isEmpty()) {
      throw new CommandFailure(checks + " has no sample that is pinned as a check.");
    }
    Map<String, Service> services = services(pinned);
    Verifier verifier =
        new Verifier(
            new Caller(
                new PlainExchanger(headers),
                () -> new Stamp(Instant.now(), UUID.randomUUID().toString(), new byte[16])));
    List<Verdict> verdicts =
        pinned.stream().map(sample -> verdict(verifier, services, sample)).toList();
    verdicts.forEach(this::print);
    if (junit != null) {
      write(verdicts, junit);
    }
    long failed = verdicts.stream().filter(verdict -> !verdict.holds()).count();
    console.out().println(verdicts.size() + " checks, " + failed + " do not hold");
    return failed == 0 ? Console.DONE : Console.WITH_ERRORS;
  }

  private Map<String, Service> services(List<Sample> pinned) {
    Map<String, Service> services = new HashMap<>();
    if (!Files.isDirectory(checks)) {
      for (ServiceDescription one : AppArgument.descriptions(console, checks)) {
        if (!one.documents().isEmpty()) {
          services.put(one.service(), Choice.described(console, one));
        }
      }
    }
    sources.forEach((name, source) -> services.put(name, Choice.service(console, source)));
    for (Sample sample : pinned) {
      if (!services.containsKey(sample.service())) {
        throw new CommandFailure(
            "Say where the description of "
                + sample.service()
                + " is: --service "
                + sample.service()
                + "=SOURCE");
      }
    }
    return services;
  }

  private Verdict verdict(Verifier verifier, Map<String, Service> services, Sample sample) {
    Service service = moved(services.get(sample.service()));
    EndpointId at =
        service
            .findOperation(sample.operation())
            .flatMap(operation -> operation.wires().stream().findFirst())
            .map(OperationWire::endpoint)
            .orElse(new EndpointId("none"));
    return verifier.verify(service, sample, at, Access.NONE);
  }

  /** The service as it is offered elsewhere. */
  private Service moved(Service service) {
    return endpoint == null
        ? service
        : new Service(
            service.name(),
            service.documentation(),
            service.endpoints().stream()
                .map(one -> new Endpoint(one.id(), one.protocol(), endpoint))
                .toList(),
            service.operations(),
            service.shapes(),
            service.entities());
  }

  private static String title(Verdict verdict) {
    Sample sample = verdict.sample();
    return sample.service() + " " + sample.operation() + ": " + sample.name();
  }

  private static String words(Deviation one) {
    return (one.path().isRoot() ? "" : one.path() + ": ")
        + "expected "
        + one.expected()
        + ", was "
        + one.actual();
  }

  private void print(Verdict verdict) {
    console
        .out()
        .println(
            (verdict.holds() ? "holds   " : "DIFFERS ")
                + title(verdict)
                + " ("
                + verdict.took()
                + " ms)");
    verdict.deviations().forEach(one -> console.out().println("    " + words(one)));
  }

  private static void write(List<Verdict> verdicts, Path file) {
    try (var out = Files.newBufferedWriter(file)) {
      XMLStreamWriter xml = XMLOutputFactory.newFactory().createXMLStreamWriter(out);
      xml.writeStartDocument("UTF-8", "1.0");
      xml.writeStartElement("testsuite");
      xml.writeAttribute("name", "mapsel verify");
      xml.writeAttribute("tests", String.valueOf(verdicts.size()));
      xml.writeAttribute(
          "failures", String.valueOf(verdicts.stream().filter(one -> !one.holds()).count()));
      for (Verdict verdict : verdicts) {
        xml.writeStartElement("testcase");
        xml.writeAttribute(
            "classname", verdict.sample().service() + "." + verdict.sample().operation());
        xml.writeAttribute("name", verdict.sample().name());
        xml.writeAttribute("time", String.valueOf(verdict.took() / 1000.0));
        if (!verdict.holds()) {
          xml.writeStartElement("failure");
          xml.writeAttribute("message", words(verdict.deviations().getFirst()));
          xml.writeCharacters(
              verdict.deviations().stream()
                  .map(VerifyCommand::words)
                  .collect(Collectors.joining("\n")));
          xml.writeEndElement();
        }
        xml.writeEndElement();
      }
      xml.writeEndDocument();
      xml.close();
    } catch (IOException | XMLStreamException e) {
      throw new CommandFailure(file + " cannot be written: " + e);
    }
  }
}
