package izzet.app.launch;

import java.util.ArrayList;
import java.util.List;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.Handle;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;

/** A lambda or method reference as a class of its own in the nest of the class that has it. */
final class PlainLambda {

    /** What holds the only object where nothing is captured. */
    private static final String ONLY = "ONLY";

    private final String owner;
    private final String name;
    private final String type;
    private final Type[] captured;

    /**
     * @param owner class with the lambda
     * @param name of the class to be made
     * @param type takes what is captured, gives the interface
     */
    PlainLambda(String owner, String name, String type) {
        this.owner = owner;
        this.name = name;
        this.type = type;
        captured = Type.getArgumentTypes(type);
    }

    String name() {
        return name;
    }

    /** Puts the object on the stack in place of what it captures. */
    void take(MethodVisitor at) {
        if (captured.length == 0) {
            at.visitFieldInsn(Opcodes.GETSTATIC, name, ONLY, "L" + name + ";");
        } else {
            at.visitMethodInsn(Opcodes.INVOKESTATIC, name, "of", type, false);
        }
    }

    /**
     * Parameters as {@link java.lang.invoke.LambdaMetafactory} has them.
     *
     * @return null where the types need more than boxes and casts, or a method of the super class is meant
     */
    byte[] write(int version, String host, String asked, Type erased, Handle meant, Type actual) {
        ClassWriter writer = new ClassWriter(ClassWriter.COMPUTE_MAXS);
        String shape = Type.getReturnType(type).getInternalName();
        writer.visit(
                version, Opcodes.ACC_FINAL | Opcodes.ACC_SYNTHETIC, name, null, "java/lang/Object", new String[] {shape
                });
        writer.visitNestHost(host);
        maker(writer);
        MethodVisitor method = method(writer, Opcodes.ACC_PUBLIC, asked, erased.getDescriptor());
        boolean done = body(method, erased, meant, actual);
        method.visitMaxs(0, 0);
        method.visitEnd();
        writer.visitEnd();
        return done ? writer.toByteArray() : null;
    }

    private static MethodVisitor method(ClassWriter writer, int access, String name, String type) {
        MethodVisitor method = writer.visitMethod(access, name, type, null, null);
        method.visitCode();
        return method;
    }

    private void maker(ClassWriter writer) {
        String takes = Type.getMethodDescriptor(Type.VOID_TYPE, captured);
        MethodVisitor method = method(writer, Opcodes.ACC_PRIVATE, "<init>", takes);
        method.visitVarInsn(Opcodes.ALOAD, 0);
        method.visitMethodInsn(Opcodes.INVOKESPECIAL, "java/lang/Object", "<init>", "()V", false);
        int local = 1;
        for (int i = 0; i < captured.length; i++) {
            String kept = captured[i].getDescriptor();
            writer.visitField(Opcodes.ACC_PRIVATE | Opcodes.ACC_FINAL, field(i), kept, null, null)
                    .visitEnd();
            method.visitVarInsn(Opcodes.ALOAD, 0);
            method.visitVarInsn(captured[i].getOpcode(Opcodes.ILOAD), local);
            method.visitFieldInsn(Opcodes.PUTFIELD, name, field(i), kept);
            local += captured[i].getSize();
        }
        end(method, Opcodes.RETURN);
        String itself = "L" + name + ";";
        if (captured.length == 0) {
            writer.visitField(Opcodes.ACC_STATIC | Opcodes.ACC_FINAL, ONLY, itself, null, null)
                    .visitEnd();
            method = method(writer, Opcodes.ACC_STATIC, "<clinit>", "()V");
            made(method, takes);
            method.visitFieldInsn(Opcodes.PUTSTATIC, name, ONLY, itself);
            end(method, Opcodes.RETURN);
        } else {
            method = method(writer, Opcodes.ACC_STATIC, "of", type);
            made(method, takes);
            end(method, Opcodes.ARETURN);
        }
    }

    private void made(MethodVisitor method, String takes) {
        method.visitTypeInsn(Opcodes.NEW, name);
        method.visitInsn(Opcodes.DUP);
        int local = 0;
        for (Type next : captured) {
            method.visitVarInsn(next.getOpcode(Opcodes.ILOAD), local);
            local += next.getSize();
        }
        method.visitMethodInsn(Opcodes.INVOKESPECIAL, name, "<init>", takes, false);
    }

    private static void end(MethodVisitor method, int how) {
        method.visitInsn(how);
        method.visitMaxs(0, 0);
        method.visitEnd();
    }

    private static String field(int i) {
        return "kept" + i;
    }

    private boolean body(MethodVisitor method, Type erased, Handle meant, Type actual) {
        int how = instruction(meant);
        if (how < 0) {
            return false;
        }
        Type owned = Type.getObjectType(meant.getOwner());
        boolean makes = meant.getTag() == Opcodes.H_NEWINVOKESPECIAL;
        List<Type> wanted = new ArrayList<>();
        if (makes) {
            method.visitTypeInsn(Opcodes.NEW, meant.getOwner());
            method.visitInsn(Opcodes.DUP);
        } else if (how != Opcodes.INVOKESTATIC) {
            wanted.add(owned);
        }
        wanted.addAll(List.of(Type.getArgumentTypes(meant.getDesc())));
        Type[] given = erased.getArgumentTypes();
        Type[] known = actual.getArgumentTypes();
        if (wanted.size() != captured.length + given.length) {
            return false;
        }
        boolean fits = true;
        for (int i = 0; i < captured.length; i++) {
            method.visitVarInsn(Opcodes.ALOAD, 0);
            method.visitFieldInsn(Opcodes.GETFIELD, name, field(i), captured[i].getDescriptor());
            fits &= Boxes.turn(method, captured[i], wanted.get(i));
        }
        int local = 1;
        for (int i = 0; i < given.length; i++) {
            method.visitVarInsn(given[i].getOpcode(Opcodes.ILOAD), local);
            local += given[i].getSize();
            fits &= Boxes.turn(method, given[i], known[i])
                    && Boxes.turn(method, known[i], wanted.get(captured.length + i));
        }
        method.visitMethodInsn(how, meant.getOwner(), meant.getName(), meant.getDesc(), meant.isInterface());
        Type back = makes ? owned : Type.getReturnType(meant.getDesc());
        Type last = erased.getReturnType();
        Type between = last.getSort() == Type.VOID ? last : actual.getReturnType();
        fits &= Boxes.turn(method, back, between) && Boxes.turn(method, between, last);
        method.visitInsn(last.getOpcode(Opcodes.IRETURN));
        return fits;
    }

    /** @return -1 for what cannot be called from another class of the nest */
    private int instruction(Handle meant) {
        return switch (meant.getTag()) {
            case Opcodes.H_INVOKESTATIC -> Opcodes.INVOKESTATIC;
            case Opcodes.H_NEWINVOKESPECIAL -> Opcodes.INVOKESPECIAL;
            case Opcodes.H_INVOKEVIRTUAL -> Opcodes.INVOKEVIRTUAL;
            case Opcodes.H_INVOKEINTERFACE -> Opcodes.INVOKEINTERFACE;
            // The body of a lambda is private; anything else could be a method of the super class.
            case Opcodes.H_INVOKESPECIAL -> {
                boolean own = meant.getOwner().equals(owner) && meant.getName().startsWith("lambda$");
                yield own ? (meant.isInterface() ? Opcodes.INVOKEINTERFACE : Opcodes.INVOKEVIRTUAL) : -1;
            }
            default -> -1;
        };
    }
}
