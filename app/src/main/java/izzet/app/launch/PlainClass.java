package izzet.app.launch;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Predicate;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.Handle;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;

/** One class whose call sites are made by code of its own, where one of the rewriters knows how; the others stay as they are. */
final class PlainClass extends ClassVisitor {

    /** Java 9, the first whose compilers put texts together by a call site; nests came with 11. */
    private static final int FIRST = 53;

    private static final int NESTS = 55;

    private final Predicate<String> hosts;
    private final Map<String, byte[]> further = new LinkedHashMap<>();
    private final List<Runnable> helpers = new ArrayList<>();
    private String name;
    private String host;
    private int version;
    private boolean isInterface;
    private boolean changed;

    /** @param hosts whether a class can be told of new members of its nest */
    PlainClass(Predicate<String> hosts) {
        super(Opcodes.ASM9);
        this.hosts = hosts;
    }

    /**
     * Once an object.
     *
     * @return the code of the class; null where nothing is to be changed
     */
    byte[] rewrite(byte[] code) {
        ClassReader reader = new ClassReader(code);
        version = reader.readShort(6);
        if (version < FIRST) {
            return null;
        }
        ClassWriter writer = new ClassWriter(reader, 0);
        cv = writer;
        reader.accept(this, 0);
        return changed ? writer.toByteArray() : null;
    }

    /** @return classes that belong to it now, by their names */
    Map<String, byte[]> further() {
        return further;
    }

    /** @return the class that names the members of this one's nest */
    String host() {
        return host;
    }

    /** @return the class with further members of its nest */
    static byte[] withMembers(byte[] code, List<String> members) {
        ClassReader reader = new ClassReader(code);
        ClassWriter writer = new ClassWriter(reader, 0);
        reader.accept(
                new ClassVisitor(Opcodes.ASM9, writer) {
                    @Override
                    public void visitEnd() {
                        members.forEach(this::visitNestMember);
                        super.visitEnd();
                    }
                },
                0);
        return writer.toByteArray();
    }

    @Override
    public void visit(int version, int access, String name, String signature, String superName, String[] interfaces) {
        this.name = name;
        host = name;
        isInterface = (access & Opcodes.ACC_INTERFACE) != 0;
        super.visit(version, access, name, signature, superName, interfaces);
    }

    @Override
    public void visitNestHost(String host) {
        this.host = host;
        super.visitNestHost(host);
    }

    @Override
    public MethodVisitor visitMethod(int access, String name, String type, String signature, String[] exceptions) {
        return new MethodVisitor(Opcodes.ASM9, super.visitMethod(access, name, type, signature, exceptions)) {
            @Override
            public void visitInvokeDynamicInsn(String name, String type, Handle maker, Object... with) {
                if (!plain(mv, name, type, maker, with)) {
                    super.visitInvokeDynamicInsn(name, type, maker, with);
                }
            }
        };
    }

    @Override
    public void visitEnd() {
        helpers.forEach(Runnable::run);
        super.visitEnd();
    }

    private boolean plain(MethodVisitor at, String asked, String type, Handle maker, Object... with) {
        switch (maker.getOwner() + "." + maker.getName()) {
            case "java/lang/invoke/StringConcatFactory.makeConcatWithConstants" -> {
                return PlainText.knows(with) && helper(at, "text", type, method -> PlainText.write(method, type, with));
            }
            case "java/lang/runtime/ObjectMethods.bootstrap" -> {
                return PlainRecord.knows(asked)
                        && helper(at, asked, type, method -> PlainRecord.write(method, asked, name, with));
            }
            case "java/lang/invoke/LambdaMetafactory.metafactory" -> {
                return lambda(at, asked, type, with);
            }
            default -> {
                return false;
            }
        }
    }

    /** A method beside takes and gives what the call site did, so nothing else in the caller changes. */
    private boolean helper(MethodVisitor at, String what, String type, Consumer<MethodVisitor> body) {
        String helper = "plain$" + what + "$" + helpers.size();
        helpers.add(() -> {
            MethodVisitor method = cv.visitMethod(
                    Opcodes.ACC_PRIVATE | Opcodes.ACC_STATIC | Opcodes.ACC_SYNTHETIC, helper, type, null, null);
            method.visitCode();
            body.accept(method);
            method.visitEnd();
        });
        at.visitMethodInsn(Opcodes.INVOKESTATIC, name, helper, type, isInterface);
        changed = true;
        return true;
    }

    private boolean lambda(MethodVisitor at, String asked, String type, Object... with) {
        if (version < NESTS || !hosts.test(host)) {
            return false;
        }
        PlainLambda lambda = new PlainLambda(name, name + "$$Plain" + further.size(), type);
        byte[] code = lambda.write(version, host, asked, (Type) with[0], (Handle) with[1], (Type) with[2]);
        if (code == null) {
            return false;
        }
        further.put(lambda.name(), code);
        lambda.take(at);
        changed = true;
        return true;
    }
}
