package org.mapsel.bench;

import java.time.Instant;
import java.util.concurrent.TimeUnit;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.sample.SampleMaker.Extent;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Requests of 200 fields: how many one core makes in a second. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
public class RequestBench {

  private static final int FIELDS = 200;

  private final Stamp stamp = new Stamp(Instant.EPOCH, "id", new byte[0]);
  private Service service;
  private Operation operation;
  private RecordValue values;

  @Setup
  public void make() {
    service =
        Intake.read(
                new SourceText("wide.wsdl", Inputs.wideDescription(FIELDS)),
                address ->
                    Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address)))
            .get()
            .service();
    operation = service.operations().get(0);
    values = SampleMaker.make(service.shapes(), operation.input(), Extent.EVERYTHING);
    if (values.names().size() != FIELDS) {
      throw new IllegalStateException("Only " + values.names().size() + " fields have values.");
    }
  }

  @Benchmark
  public Object request() {
    return Caller.request(
            service, operation, operation.wires().get(0).endpoint(), values, Access.NONE, stamp)
        .get();
  }
}
