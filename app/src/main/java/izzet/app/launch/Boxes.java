package izzet.app.launch;

import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;

/** How a value on the stack becomes one of another type. */
final class Boxes {

    private Boxes() {}

    static boolean isPrimitive(Type type) {
        return type.getSort() < Type.ARRAY;
    }

    /** @return name of the class whose objects hold values of a primitive type */
    static String of(Type type) {
        return switch (type.getSort()) {
            case Type.BOOLEAN -> "java/lang/Boolean";
            case Type.CHAR -> "java/lang/Character";
            case Type.BYTE -> "java/lang/Byte";
            case Type.SHORT -> "java/lang/Short";
            case Type.INT -> "java/lang/Integer";
            case Type.LONG -> "java/lang/Long";
            case Type.FLOAT -> "java/lang/Float";
            case Type.DOUBLE -> "java/lang/Double";
            default -> throw new IllegalArgumentException(type + " holds no value");
        };
    }

    /** @return false where it takes more than a box or a cast; what was written then is of no use */
    static boolean turn(MethodVisitor method, Type from, Type to) {
        if (from.equals(to)) {
            return true;
        }
        if (to.getSort() == Type.VOID) {
            method.visitInsn(from.getSize() == 2 ? Opcodes.POP2 : Opcodes.POP);
            return true;
        }
        if (isPrimitive(from)) {
            return from.getSort() != Type.VOID && !isPrimitive(to) && box(method, from, to);
        }
        return isPrimitive(to) ? unbox(method, from, to) : cast(method, to);
    }

    private static boolean box(MethodVisitor method, Type from, Type to) {
        String box = of(from);
        method.visitMethodInsn(Opcodes.INVOKESTATIC, box, "valueOf", "(" + from + ")L" + box + ";", false);
        return to.getInternalName().equals(box) || "java/lang/Object".equals(to.getInternalName());
    }

    private static boolean unbox(MethodVisitor method, Type from, Type to) {
        method.visitMethodInsn(Opcodes.INVOKEVIRTUAL, of(to), to.getClassName() + "Value", "()" + to, false);
        return from.getInternalName().equals(of(to));
    }

    private static boolean cast(MethodVisitor method, Type to) {
        if (!"java/lang/Object".equals(to.getInternalName())) {
            method.visitTypeInsn(Opcodes.CHECKCAST, to.getInternalName());
        }
        return true;
    }
}
