using System.Text;
using AbleMend.Core.Limits;

namespace AbleMend.Cli;

/// <summary>Prints nothing that a terminal would obey: whatever stands in a case, its escape codes reach nobody's screen.</summary>
/// <param name="terminal">Where it is printed.</param>
internal sealed class PlainWriter(TextWriter terminal) : TextWriter
{
    /// <inheritdoc/>
    public override Encoding Encoding => terminal.Encoding;

    /// <inheritdoc/>
    public override void Write(char value) => Write(value.ToString());

    /// <inheritdoc/>
    public override void Write(char[] buffer, int index, int count) => Write(new string(buffer, index, count));

    /// <inheritdoc/>
    public override void Write(string? value) => terminal.Write(value is null ? null : PlainText.Shown(value));

    /// <inheritdoc/>
    public override void WriteLine(string? value) => Write(value + "\n");

    /// <inheritdoc/>
    public override void Flush() => terminal.Flush();
}
