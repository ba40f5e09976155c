using AbleMend.Core;

namespace AbleMend.Cli;

/// <summary>Reads a case file without trusting its size or its existence.</summary>
internal static class CaseFile
{
    /// <summary>The text of a file, or of standard input for <c>-</c>.</summary>
    public static Outcome<string> Read(string path)
    {
        if (path == "-")
        {
            return ReadAll(Console.OpenStandardInput());
        }

        if (!File.Exists(path))
        {
            return Outcome<string>.Failed(new Problem("no-file", "", $"There is no file '{path:as-is}'.", "Check the path."));
        }

        try
        {
            using var stream = File.OpenRead(path);
            return ReadAll(stream);
        }
        catch (Exception fault) when (fault is IOException or UnauthorizedAccessException)
        {
            return Outcome<string>.Failed(new Problem("unreadable-file", "", $"'{path:as-is}' cannot be read: {fault.Message:as-is}", "Check its permissions."));
        }
    }

    private static Outcome<string> ReadAll(Stream stream)
    {
        using var kept = new MemoryStream();
        var buffer = new byte[81920];
        for (var read = stream.Read(buffer); read > 0; read = stream.Read(buffer))
        {
            kept.Write(buffer, 0, read);
            if (kept.Length > CommandLine.LargestFileBytes)
            {
                return Outcome<string>.Failed(new Problem("too-large", "", "The file is larger than 1 MB; a case is a few kilobytes.", "Give a case file."));
            }
        }

        return Outcome<string>.Of(System.Text.Encoding.UTF8.GetString(kept.ToArray()));
    }
}
