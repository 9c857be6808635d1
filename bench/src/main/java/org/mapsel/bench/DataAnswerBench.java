package org.mapsel.bench;

import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Response;
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

/** An answer in JSON with 100,000 rows of 20 fields, read into values. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class DataAnswerBench {

  private static final int ROWS = 100_000;
  private static final Set<FieldPath> FIVE =
      Set.of(
          FieldPath.of("items", "field0"),
          FieldPath.of("items", "field1"),
          FieldPath.of("items", "field6"),
          FieldPath.of("items", "field11"),
          FieldPath.of("items", "field16"));

  private byte[] body;
  private Service service;
  private Operation operation;

  @Setup
  public void make() {
    body = DataInputs.rows(ROWS);
    service =
        Intake.read(
                new SourceText("rows.json", DataInputs.rowsDescription()),
                address ->
                    Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address)))
            .get()
            .service();
    operation = service.operations().get(0);
    Answer.Returned answer = (Answer.Returned) read(FIVE).get();
    int rows = ((ListValue) answer.value().get("items")).items().size();
    if (rows != ROWS) {
      throw new IllegalStateException("Only " + rows + " rows were read.");
    }
  }

  private Outcome<Answer> read(Set<FieldPath> wanted) {
    return Caller.answer(
        service, operation, operation.wires().get(0), new Response(200, Map.of(), body), wanted);
  }

  @Benchmark
  public int barePass() {
    return DataInputs.barePass(body);
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
