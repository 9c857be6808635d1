package org.mapsel.standins.yard;

import java.math.BigDecimal;
import java.util.Calendar;
import java.util.Date;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.apache.olingo.odata2.api.edm.EdmLiteral;
import org.apache.olingo.odata2.api.edm.EdmLiteralKind;
import org.apache.olingo.odata2.api.edm.EdmSimpleType;
import org.apache.olingo.odata2.api.edm.EdmSimpleTypeException;
import org.apache.olingo.odata2.api.edm.EdmTyped;
import org.apache.olingo.odata2.api.uri.expression.BinaryExpression;
import org.apache.olingo.odata2.api.uri.expression.BinaryOperator;
import org.apache.olingo.odata2.api.uri.expression.ExpressionVisitor;
import org.apache.olingo.odata2.api.uri.expression.FilterExpression;
import org.apache.olingo.odata2.api.uri.expression.LiteralExpression;
import org.apache.olingo.odata2.api.uri.expression.MemberExpression;
import org.apache.olingo.odata2.api.uri.expression.MethodExpression;
import org.apache.olingo.odata2.api.uri.expression.MethodOperator;
import org.apache.olingo.odata2.api.uri.expression.OrderByExpression;
import org.apache.olingo.odata2.api.uri.expression.OrderExpression;
import org.apache.olingo.odata2.api.uri.expression.PropertyExpression;
import org.apache.olingo.odata2.api.uri.expression.SortOrder;
import org.apache.olingo.odata2.api.uri.expression.UnaryExpression;
import org.apache.olingo.odata2.api.uri.expression.UnaryOperator;

/** What a filter of version 2 says of one row. */
final class OldFilterVisitor implements ExpressionVisitor {

  private final Map<String, Object> row;

  OldFilterVisitor(Map<String, Object> row) {
    this.row = row;
  }

  /** Numbers and times in one kind each, so that they can be compared. */
  @SuppressWarnings("unchecked")
  static Comparable<Object> comparable(Object value) {
    Object plain =
        switch (value) {
          case BigDecimal decimal -> decimal;
          case Number number -> new BigDecimal(number.toString());
          case Calendar calendar -> calendar.getTimeInMillis();
          case Date date -> date.getTime();
          case null -> null;
          default -> value;
        };
    return (Comparable<Object>) plain;
  }

  @Override
  public Object visitFilterExpression(FilterExpression filter, String text, Object expression) {
    return expression;
  }

  @Override
  public Object visitBinary(
      BinaryExpression binary, BinaryOperator operator, Object left, Object right) {
    if (operator == BinaryOperator.AND || operator == BinaryOperator.OR) {
      boolean one = Boolean.TRUE.equals(left);
      boolean other = Boolean.TRUE.equals(right);
      return operator == BinaryOperator.AND ? one && other : one || other;
    }
    Comparable<Object> first = comparable(left);
    Comparable<Object> second = comparable(right);
    if (first == null || second == null) {
      boolean same = first == second;
      return operator == BinaryOperator.EQ ? same : operator == BinaryOperator.NE && !same;
    }
    int order = first.compareTo(second);
    return switch (operator) {
      case EQ -> order == 0;
      case NE -> order != 0;
      case GT -> order > 0;
      case GE -> order >= 0;
      case LT -> order < 0;
      case LE -> order <= 0;
      default -> throw new IllegalArgumentException("The yard does not know " + operator);
    };
  }

  @Override
  public Object visitLiteral(LiteralExpression literal, EdmLiteral edm) {
    try {
      EdmSimpleType type = edm.getType();
      return type.valueOfString(
          edm.getLiteral(), EdmLiteralKind.DEFAULT, null, type.getDefaultType());
    } catch (EdmSimpleTypeException e) {
      throw new IllegalArgumentException(e);
    }
  }

  @Override
  public Object visitMethod(MethodExpression method, MethodOperator operator, List<Object> given) {
    String first = Objects.toString(given.get(0), "");
    String second = given.size() > 1 ? Objects.toString(given.get(1), "") : "";
    return switch (operator) {
      case STARTSWITH -> first.startsWith(second);
      case ENDSWITH -> first.endsWith(second);
      case SUBSTRINGOF -> second.contains(first);
      default -> throw new IllegalArgumentException("The yard does not know " + operator);
    };
  }

  @Override
  public Object visitProperty(PropertyExpression property, String name, EdmTyped edm) {
    return row.get(name);
  }

  @Override
  public Object visitUnary(UnaryExpression unary, UnaryOperator operator, Object operand) {
    if (operator == UnaryOperator.NOT) {
      return !Boolean.TRUE.equals(operand);
    }
    throw new IllegalArgumentException("The yard does not know " + operator);
  }

  @Override
  public Object visitMember(MemberExpression member, Object path, Object property) {
    throw new IllegalArgumentException("The yard has no structured fields.");
  }

  @Override
  public Object visitOrderByExpression(
      OrderByExpression expression, String text, List<Object> orders) {
    return orders;
  }

  @Override
  public Object visitOrder(OrderExpression expression, Object result, SortOrder order) {
    return result;
  }
}
