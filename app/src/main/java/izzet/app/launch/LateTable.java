package izzet.app.launch;

import java.util.HashMap;
import java.util.Map;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/**
 * The table of two thousand named characters that the escaping library fills when its first text is escaped, comparing each with all. Escaping
 * does not need it, and unescaping only for a text with an ampersand; so it is filled then.
 */
final class LateTable {

    private static final String PACKAGE = "org/unbescape/html/";
    private static final String SYMBOLS = PACKAGE + "HtmlEscapeSymbols";
    private static final String READER = PACKAGE + "HtmlEscapeUtil";
    private static final String HOLDER = PACKAGE + "LateTable";
    private static final String TABLE = "HTML5_SYMBOLS";
    private static final String TYPE = "L" + SYMBOLS + ";";
    private static final String MAKER = "initializeHtml5";

    private LateTable() {}

    /**
     * @param entries of one jar
     * @return those that changed and the one that joins; none for another jar
     */
    static Map<String, byte[]> rewrite(Map<String, byte[]> entries) {
        byte[] symbols = entries.get(SYMBOLS + ".class");
        byte[] reader = entries.get(READER + ".class");
        if (symbols == null || reader == null) {
            return Map.of();
        }
        Map<String, byte[]> out = new HashMap<>();
        out.put(SYMBOLS + ".class", changed(symbols, LateTable::without));
        out.put(READER + ".class", changed(reader, LateTable::asking));
        out.put(HOLDER + ".class", holder());
        return out;
    }

    private interface Change {
        MethodVisitor of(MethodVisitor method, String name, String type);
    }

    private static byte[] changed(byte[] code, Change change) {
        ClassReader reader = new ClassReader(code);
        ClassWriter writer = new ClassWriter(reader, ClassWriter.COMPUTE_MAXS);
        reader.accept(
                new ClassVisitor(Opcodes.ASM9, writer) {
                    @Override
                    public MethodVisitor visitMethod(
                            int access, String name, String type, String signature, String[] faults) {
                        return change.of(super.visitMethod(access, name, type, signature, faults), name, type);
                    }
                },
                0);
        return writer.toByteArray();
    }

    /** The field stays empty; only the reader looks at it. */
    private static MethodVisitor without(MethodVisitor method, String name, String type) {
        return new MethodVisitor(Opcodes.ASM9, method) {
            @Override
            public void visitMethodInsn(int how, String owner, String called, String shape, boolean isInterface) {
                if (MAKER.equals(called)) {
                    super.visitInsn(Opcodes.ACONST_NULL);
                } else {
                    super.visitMethodInsn(how, owner, called, shape, isInterface);
                }
            }
        };
    }

    private static MethodVisitor asking(MethodVisitor method, String name, String type) {
        return new MethodVisitor(Opcodes.ASM9, method) {
            @Override
            public void visitCode() {
                super.visitCode();
                if ((name + type).equals("unescape(Ljava/lang/String;)Ljava/lang/String;")) {
                    Label on = new Label();
                    super.visitVarInsn(Opcodes.ALOAD, 0);
                    super.visitJumpInsn(Opcodes.IFNULL, on);
                    super.visitVarInsn(Opcodes.ALOAD, 0);
                    super.visitIntInsn(Opcodes.BIPUSH, '&');
                    super.visitMethodInsn(Opcodes.INVOKEVIRTUAL, "java/lang/String", "indexOf", "(I)I", false);
                    super.visitJumpInsn(Opcodes.IFGE, on);
                    super.visitVarInsn(Opcodes.ALOAD, 0);
                    super.visitInsn(Opcodes.ARETURN);
                    super.visitLabel(on);
                    super.visitFrame(Opcodes.F_SAME, 0, null, 0, null);
                }
            }

            @Override
            public void visitFieldInsn(int how, String owner, String field, String shape) {
                super.visitFieldInsn(how, TABLE.equals(field) ? HOLDER : owner, field, shape);
            }
        };
    }

    /** Filled by the machine when it is first asked, once, whoever asks. */
    private static byte[] holder() {
        ClassWriter writer = new ClassWriter(ClassWriter.COMPUTE_MAXS);
        writer.visit(Opcodes.V11, Opcodes.ACC_FINAL | Opcodes.ACC_SYNTHETIC, HOLDER, null, "java/lang/Object", null);
        writer.visitField(Opcodes.ACC_STATIC | Opcodes.ACC_FINAL, TABLE, TYPE, null, null)
                .visitEnd();
        MethodVisitor method = writer.visitMethod(Opcodes.ACC_STATIC, "<clinit>", "()V", null, null);
        method.visitCode();
        method.visitMethodInsn(
                Opcodes.INVOKESTATIC, PACKAGE + "Html5EscapeSymbolsInitializer", MAKER, "()" + TYPE, false);
        method.visitFieldInsn(Opcodes.PUTSTATIC, HOLDER, TABLE, TYPE);
        method.visitInsn(Opcodes.RETURN);
        method.visitMaxs(0, 0);
        method.visitEnd();
        writer.visitEnd();
        return writer.toByteArray();
    }
}
