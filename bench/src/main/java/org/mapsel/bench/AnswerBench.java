package org.mapsel.bench;

import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import javax.xml.stream.XMLStreamException;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.soap.SoapCodec;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.ListValue;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** An answer of 100,000 rows with 20 fields each, all kept or five of them. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class AnswerBench {

  private static final int ROWS = 100_000;
  static final Set<FieldPath> FIVE =
      Set.of(
          FieldPath.of("row", "field0"),
          FieldPath.of("row", "field1"),
          FieldPath.of("row", "field6"),
          FieldPath.of("row", "field11"),
          FieldPath.of("row", "field16"));

  private byte[] body;
  private Service service;
  private Operation operation;

  @Setup
  public void make() {
    body = Inputs.rows(ROWS);
    service =
        Intake.read(
                new SourceText("rows.wsdl", Inputs.rowsDescription()),
                address ->
                    Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address)))
            .get()
            .service();
    operation = service.operations().get(0);
    Answer.Returned answer = (Answer.Returned) read(FIVE).get();
    int rows = ((ListValue) answer.value().get("row")).items().size();
    if (rows != ROWS) {
      throw new IllegalStateException("Only " + rows + " rows were read.");
    }
  }

  Outcome<Answer> read(Set<FieldPath> wanted) {
    return new SoapCodec()
        .read(
            service,
            operation,
            operation.wires().get(0),
            new Response(200, Map.of(), body),
            wanted);
  }

  @Benchmark
  public int barePass() throws XMLStreamException {
    return BarePass.over(body);
  }

  @Benchmark
  public Object keepFive() {
    return read(FIVE);
  }

  @Benchmark
  public Object keepAll() {
    return read(Set.of());
  }
}
