package org.mapsel.standins.yard;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Calendar;
import java.util.Date;
import java.util.List;
import java.util.Locale;
import java.util.TimeZone;
import org.apache.olingo.commons.api.data.Entity;
import org.apache.olingo.commons.api.edm.EdmEnumType;
import org.apache.olingo.commons.api.edm.EdmType;
import org.apache.olingo.server.api.ODataApplicationException;
import org.apache.olingo.server.api.uri.UriResource;
import org.apache.olingo.server.api.uri.UriResourcePrimitiveProperty;
import org.apache.olingo.server.api.uri.queryoption.expression.BinaryOperatorKind;
import org.apache.olingo.server.api.uri.queryoption.expression.Expression;
import org.apache.olingo.server.api.uri.queryoption.expression.ExpressionVisitor;
import org.apache.olingo.server.api.uri.queryoption.expression.Literal;
import org.apache.olingo.server.api.uri.queryoption.expression.Member;
import org.apache.olingo.server.api.uri.queryoption.expression.MethodKind;
import org.apache.olingo.server.api.uri.queryoption.expression.UnaryOperatorKind;

/** What a filter says of one entity. The grammar is the library's; this only computes. */
final class FilterVisitor implements ExpressionVisitor<Object> {

  private final Entity entity;

  FilterVisitor(Entity entity) {
    this.entity = entity;
  }

  /** A value that can be compared to another of its kind; null for null. */
  @SuppressWarnings("unchecked")
  static Comparable<Object> comparable(Object value) {
    Object plain =
        switch (value) {
          case null -> null;
          case Calendar date -> date.toInstant();
          case Date moment -> moment.toInstant();
          case Number number -> new BigDecimal(number.toString()).stripTrailingZeros();
          default -> value;
        };
    return (Comparable<Object>) plain;
  }

  private static ODataApplicationException unknown(Object what) {
    return new ODataApplicationException(what + " is not known here.", 501, Locale.ROOT);
  }

  @Override
  public Object visitBinaryOperator(BinaryOperatorKind operator, Object left, Object right)
      throws ODataApplicationException {
    switch (operator) {
      case AND:
        return Boolean.TRUE.equals(left) && Boolean.TRUE.equals(right);
      case OR:
        return Boolean.TRUE.equals(left) || Boolean.TRUE.equals(right);
      default:
        break;
    }
    if (left == null || right == null) {
      boolean same = left == right;
      return operator == BinaryOperatorKind.EQ ? same : operator == BinaryOperatorKind.NE && !same;
    }
    int order = comparable(left).compareTo(comparable(right));
    return switch (operator) {
      case EQ -> order == 0;
      case NE -> order != 0;
      case LT -> order < 0;
      case LE -> order <= 0;
      case GT -> order > 0;
      case GE -> order >= 0;
      default -> throw unknown(operator);
    };
  }

  @Override
  public Object visitBinaryOperator(BinaryOperatorKind operator, Object left, List<Object> right)
      throws ODataApplicationException {
    throw unknown(operator);
  }

  @Override
  public Object visitUnaryOperator(UnaryOperatorKind operator, Object operand)
      throws ODataApplicationException {
    if (operator == UnaryOperatorKind.NOT) {
      return !Boolean.TRUE.equals(operand);
    }
    throw unknown(operator);
  }

  @Override
  public Object visitMethodCall(MethodKind method, List<Object> values)
      throws ODataApplicationException {
    String text = String.valueOf(values.get(0));
    String part = values.size() > 1 ? String.valueOf(values.get(1)) : "";
    return switch (method) {
      case CONTAINS -> text.contains(part);
      case STARTSWITH -> text.startsWith(part);
      case ENDSWITH -> text.endsWith(part);
      default -> throw unknown(method);
    };
  }

  @Override
  public Object visitLiteral(Literal literal) {
    String text = literal.getText();
    if (text.equals("null")) {
      return null;
    }
    if (text.startsWith("'")) {
      return text.substring(1, text.length() - 1).replace("''", "'");
    }
    if (text.equals("true") || text.equals("false")) {
      return text.equals("true");
    }
    if (text.matches("\\d{4}-\\d{2}-\\d{2}")) {
      return Date.from(Instant.parse(text + "T00:00:00Z"));
    }
    if (text.matches("\\d{4}-.*Z")) {
      return Date.from(Instant.parse(text));
    }
    return new BigDecimal(text);
  }

  @Override
  public Object visitMember(Member member) {
    UriResource part = member.getResourcePath().getUriResourceParts().get(0);
    String name = ((UriResourcePrimitiveProperty) part).getProperty().getName();
    Object value = entity.getProperty(name).getValue();
    if (value instanceof Calendar date) {
      date.setTimeZone(TimeZone.getTimeZone("UTC"));
    }
    return value;
  }

  @Override
  public Object visitLambdaExpression(String function, String variable, Expression expression)
      throws ODataApplicationException {
    throw unknown(function);
  }

  @Override
  public Object visitAlias(String alias) throws ODataApplicationException {
    throw unknown(alias);
  }

  @Override
  public Object visitTypeLiteral(EdmType type) throws ODataApplicationException {
    throw unknown(type);
  }

  @Override
  public Object visitLambdaReference(String variable) throws ODataApplicationException {
    throw unknown(variable);
  }

  @Override
  public Object visitEnum(EdmEnumType type, List<String> values) {
    return values.get(0);
  }
}
