package izzet.app.launch;

import org.objectweb.asm.Handle;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;

/** Equality and hash code of a record, component by component as {@link java.lang.runtime.ObjectMethods} has them. */
final class PlainRecord {

    /** What that takes before the components: the class and their names. */
    private static final int BEFORE = 2;

    private PlainRecord() {}

    static boolean knows(String asked) {
        return "equals".equals(asked) || "hashCode".equals(asked);
    }

    /**
     * @param asked which of both
     * @param record its class
     * @param with the components, behind the class and their names
     */
    static void write(MethodVisitor method, String asked, String record, Object... with) {
        if ("equals".equals(asked)) {
            equality(method, record, with);
        } else {
            hash(method, with);
        }
    }

    private static void hash(MethodVisitor method, Object... with) {
        method.visitInsn(Opcodes.ICONST_0);
        for (int i = BEFORE; i < with.length; i++) {
            Type type = Type.getType(((Handle) with[i]).getDesc());
            method.visitIntInsn(Opcodes.BIPUSH, 31);
            method.visitInsn(Opcodes.IMUL);
            method.visitVarInsn(Opcodes.ALOAD, 0);
            component(method, (Handle) with[i]);
            if (Boxes.isPrimitive(type)) {
                method.visitMethodInsn(Opcodes.INVOKESTATIC, Boxes.of(type), "hashCode", "(" + type + ")I", false);
            } else {
                method.visitMethodInsn(
                        Opcodes.INVOKESTATIC, "java/util/Objects", "hashCode", "(Ljava/lang/Object;)I", false);
            }
            method.visitInsn(Opcodes.IADD);
        }
        method.visitInsn(Opcodes.IRETURN);
        method.visitMaxs(3, 1);
    }

    private static void equality(MethodVisitor method, String record, Object... with) {
        Label different = new Label();
        Label same = new Label();
        method.visitVarInsn(Opcodes.ALOAD, 0);
        method.visitVarInsn(Opcodes.ALOAD, 1);
        method.visitJumpInsn(Opcodes.IF_ACMPEQ, same);
        method.visitVarInsn(Opcodes.ALOAD, 1);
        method.visitTypeInsn(Opcodes.INSTANCEOF, record);
        method.visitJumpInsn(Opcodes.IFEQ, different);
        for (int i = BEFORE; i < with.length; i++) {
            method.visitVarInsn(Opcodes.ALOAD, 0);
            component(method, (Handle) with[i]);
            method.visitVarInsn(Opcodes.ALOAD, 1);
            method.visitTypeInsn(Opcodes.CHECKCAST, record);
            component(method, (Handle) with[i]);
            Type type = Type.getType(((Handle) with[i]).getDesc());
            switch (type.getSort()) {
                case Type.LONG -> {
                    method.visitInsn(Opcodes.LCMP);
                    method.visitJumpInsn(Opcodes.IFNE, different);
                }
                case Type.FLOAT, Type.DOUBLE -> {
                    method.visitMethodInsn(
                            Opcodes.INVOKESTATIC, Boxes.of(type), "compare", "(" + type + type + ")I", false);
                    method.visitJumpInsn(Opcodes.IFNE, different);
                }
                case Type.ARRAY, Type.OBJECT -> {
                    method.visitMethodInsn(
                            Opcodes.INVOKESTATIC,
                            "java/util/Objects",
                            "equals",
                            "(Ljava/lang/Object;Ljava/lang/Object;)Z",
                            false);
                    method.visitJumpInsn(Opcodes.IFEQ, different);
                }
                default -> method.visitJumpInsn(Opcodes.IF_ICMPNE, different);
            }
        }
        method.visitLabel(same);
        method.visitFrame(Opcodes.F_SAME, 0, null, 0, null);
        method.visitInsn(Opcodes.ICONST_1);
        method.visitInsn(Opcodes.IRETURN);
        method.visitLabel(different);
        method.visitFrame(Opcodes.F_SAME, 0, null, 0, null);
        method.visitInsn(Opcodes.ICONST_0);
        method.visitInsn(Opcodes.IRETURN);
        method.visitMaxs(4, 2);
    }

    private static void component(MethodVisitor method, Handle getter) {
        method.visitFieldInsn(Opcodes.GETFIELD, getter.getOwner(), getter.getName(), getter.getDesc());
    }
}
