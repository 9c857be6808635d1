package org.mapsel.bench;

import java.nio.charset.StandardCharsets;
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
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.value.RecordValue;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Requests of 200 fields: how many one core makes in a second, beside a bare copy of the bytes. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
public class RequestBench {

  private static final int FIELDS = 200;

  private final Stamp stamp = new Stamp(Instant.EPOCH, "id", new byte[0]);
  private Service service;
  private Operation operation;
  private RecordValue values;
  private byte[][] tags;
  private String[] texts;
  private int length;

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
    tags = new byte[FIELDS][];
    texts = new String[FIELDS];
    for (int i = 0; i < FIELDS; i++) {
      String name = values.names().get(i);
      tags[i] = ("<" + name + ">").getBytes(StandardCharsets.US_ASCII);
      texts[i] = ScalarText.print(values.get(name));
      length += 2 * tags[i].length + texts[i].length();
    }
  }

  @Benchmark
  public Object request() {
    return Caller.request(
            service, operation, operation.wires().get(0).endpoint(), values, Access.NONE, stamp)
        .get();
  }

  /** The least that any writer does: copies tags that are ready and looks at each character. */
  @Benchmark
  public byte[] barePass() {
    byte[] copy = new byte[length];
    int at = 0;
    for (int i = 0; i < FIELDS; i++) {
      at = copied(tags[i], copy, at);
      for (int k = 0; k < texts[i].length(); k++) {
        char c = texts[i].charAt(k);
        if (c < ' ' || c == '&' || c == '<' || c > '~') {
          throw new IllegalStateException(texts[i]);
        }
        copy[at++] = (byte) c;
      }
      at = copied(tags[i], copy, at);
    }
    return copy;
  }

  private static int copied(byte[] from, byte[] to, int at) {
    System.arraycopy(from, 0, to, at, from.length);
    return at + from.length;
  }
}
