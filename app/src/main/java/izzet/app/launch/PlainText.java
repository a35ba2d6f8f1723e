package izzet.app.launch;

import java.util.Arrays;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;

/** A text put together of others. The recipe is that of {@link java.lang.invoke.StringConcatFactory}. */
final class PlainText {

    private static final String BUILDER = "java/lang/StringBuilder";
    private static final char ARGUMENT = 1;
    private static final char CONSTANT = 2;

    private PlainText() {}

    /** @param with recipe and constants */
    static boolean knows(Object... with) {
        return Arrays.stream(with).allMatch(String.class::isInstance);
    }

    /** @param type of a method that takes the texts and gives the whole */
    static void write(MethodVisitor method, String type, Object... with) {
        method.visitTypeInsn(Opcodes.NEW, BUILDER);
        method.visitInsn(Opcodes.DUP);
        method.visitMethodInsn(Opcodes.INVOKESPECIAL, BUILDER, "<init>", "()V", false);
        Type[] given = Type.getArgumentTypes(type);
        int argument = 0;
        int constant = 1;
        int local = 0;
        StringBuilder words = new StringBuilder();
        for (char sign : ((String) with[0]).toCharArray()) {
            if (sign == ARGUMENT) {
                words(method, words);
                Type next = given[argument++];
                method.visitVarInsn(next.getOpcode(Opcodes.ILOAD), local);
                local += next.getSize();
                append(method, appended(next));
            } else if (sign == CONSTANT) {
                words.append(with[constant++]);
            } else {
                words.append(sign);
            }
        }
        words(method, words);
        method.visitMethodInsn(Opcodes.INVOKEVIRTUAL, BUILDER, "toString", "()Ljava/lang/String;", false);
        method.visitInsn(Opcodes.ARETURN);
        method.visitMaxs(3, Arrays.stream(given).mapToInt(Type::getSize).sum());
    }

    private static void words(MethodVisitor method, StringBuilder words) {
        if (!words.isEmpty()) {
            method.visitLdcInsn(words.toString());
            append(method, "Ljava/lang/String;");
            words.setLength(0);
        }
    }

    private static void append(MethodVisitor method, String type) {
        method.visitMethodInsn(
                Opcodes.INVOKEVIRTUAL, BUILDER, "append", "(" + type + ")Ljava/lang/StringBuilder;", false);
    }

    private static String appended(Type type) {
        return switch (type.getSort()) {
            case Type.BYTE, Type.SHORT -> "I";
            case Type.ARRAY, Type.OBJECT ->
                "java.lang.String".equals(type.getClassName()) ? type.getDescriptor() : "Ljava/lang/Object;";
            default -> type.getDescriptor();
        };
    }
}
