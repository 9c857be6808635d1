package org.mapsel.core.read.openapi;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.declare.HttpDeclaration.AnswerDeclaration;
import org.mapsel.core.declare.HttpDeclaration.BodyDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ContentDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ParameterDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ServerDeclaration;
import org.mapsel.core.service.Memo;

/** What differs between OpenAPI 3 and Swagger 2. */
abstract class Dialect {

  final Located root;
  final References references;
  final SchemaTypes types;

  Dialect(Located root, References references, SchemaTypes types) {
    this.root = root;
    this.references = references;
    this.types = types;
  }

  /** The parameters that an operation or a path names, followed to where they are declared. */
  List<Located> parameters(Located of) {
    return Parameters.of(of, references);
  }

  /** A parameter outside the body; nothing if it belongs into the body. */
  abstract Optional<ParameterDeclaration> parameter(Located parameter);

  abstract Optional<BodyDeclaration> body(Located operation, List<Located> parameters);

  /** What may come back, by status. */
  List<AnswerDeclaration> answers(Located operation) {
    List<AnswerDeclaration> answers = new ArrayList<>();
    operation
        .find("responses")
        .ifPresent(
            responses ->
                responses
                    .node()
                    .forEachMember(
                        (status, response) -> {
                          if (!status.startsWith("x-")) {
                            references
                                .follow(responses.beside(response))
                                .ifPresent(
                                    answer -> answers.add(answer(status, answer, operation)));
                          }
                        }));
    return answers;
  }

  private AnswerDeclaration answer(String status, Located answer, Located operation) {
    return new AnswerDeclaration(
        status,
        answer.node().text("description"),
        Memo.later(() -> contents(answer, operation)),
        Links.of(answer, references));
  }

  /** An answer in each of the media types it may come in. */
  abstract List<ContentDeclaration> contents(Located answer, Located operation);

  abstract List<ServerDeclaration> servers(Located item, Located operation);
}
