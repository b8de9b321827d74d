package ivesk.server;

import static java.lang.classfile.ClassTransform.transformingMethodBodies;

import ivesk.core.practice.PolicyQuestion;
import ivesk.core.screening.question.Question;
import ivesk.core.skin.PhototypeQuestionnaire;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.lang.classfile.ClassFile;
import java.lang.classfile.CodeBuilder;
import java.lang.classfile.CodeElement;
import java.lang.classfile.instruction.ConstantInstruction;
import java.lang.classfile.instruction.InvokeDynamicInstruction;
import java.lang.constant.ConstantDesc;
import java.lang.constant.DynamicCallSiteDesc;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;

/// Loads Ivesk with every word of core said otherwise: a second word table is made of the words in
/// its classes, each with other words in its place, none of which begins or ends like the first.
/// What still works then does not hang on words.
public final class RewordedCore extends ClassLoader {
  /// Codes, single letters in a row as in the library's table, and what has no letter at all.
  private static final Pattern ID =
      Pattern.compile("[A-Z0-9][A-Z0-9_-]*|[A-Z]( [A-Z])*|[^\\p{L}]*");

  /// How days and digits are written; no words.
  private static final Pattern DATE =
      Pattern.compile("EEE d MMM.*|MMMEd|es|pt|ddMMyy|uuuu.*|HH:mm|nu|latn");

  private static final Set<String> IDS = ids();

  /// The second word table: what was said, and what is said instead.
  private final Map<String, String> table = new TreeMap<>();

  public RewordedCore() {
    super(RewordedCore.class.getClassLoader());
  }

  public Map<String, String> table() {
    return table;
  }

  /// Ids that read like words: answers of questions and policies, items of the questionnaire, and
  /// what a rule lacks.
  private static Set<String> ids() {
    Set<String> ids = new HashSet<>(Set.of("sensitivity", "phototype"));
    for (Question question : Question.values()) {
      question.options().forEach(option -> ids.add(option.id()));
    }
    for (PolicyQuestion question : PolicyQuestion.values()) {
      question.options().forEach(option -> ids.add(option.id()));
    }
    PhototypeQuestionnaire.ITEMS.forEach(item -> ids.add(item.id()));
    return ids;
  }

  @Override
  protected Class<?> loadClass(String name, boolean resolve) throws ClassNotFoundException {
    if (!name.startsWith("ivesk.")) return super.loadClass(name, resolve);
    synchronized (getClassLoadingLock(name)) {
      Class<?> loaded = findLoadedClass(name);
      return loaded != null ? loaded : define(name);
    }
  }

  private Class<?> define(String name) throws ClassNotFoundException {
    try (InputStream file = getResourceAsStream(name.replace('.', '/') + ".class")) {
      if (file == null) throw new ClassNotFoundException(name);
      byte[] code = file.readAllBytes();
      if (name.startsWith("ivesk.core.")) code = reworded(code);
      return defineClass(name, code, 0, code.length);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private byte[] reworded(byte[] code) {
    ClassFile files = ClassFile.of();
    return files.transformClass(files.parse(code), transformingMethodBodies(this::reword));
  }

  private void reword(CodeBuilder code, CodeElement element) {
    switch (element) {
      case ConstantInstruction.LoadConstantInstruction load
          when load.constantValue() instanceof String words ->
          code.loadConstant(otherwise(words));
      case InvokeDynamicInstruction call
          when call.bootstrapMethod().methodName().equals("makeConcatWithConstants") ->
          code.invokedynamic(
              DynamicCallSiteDesc.of(
                  call.bootstrapMethod(),
                  call.name().stringValue(),
                  call.typeSymbol(),
                  call.bootstrapArgs().stream().map(this::otherwise).toArray(ConstantDesc[]::new)));
      default -> code.with(element);
    }
  }

  private ConstantDesc otherwise(ConstantDesc constant) {
    return constant instanceof String words ? otherwise(words) : constant;
  }

  private String otherwise(String words) {
    if (ID.matcher(words).matches() || DATE.matcher(words).matches() || IDS.contains(words)) {
      return words;
    }
    String salt = Integer.toString(words.hashCode() & 0xFFFF, 36);
    return table.computeIfAbsent(words, said -> "q" + salt + " " + said + " z" + salt);
  }
}
