using AbleMend.Server.Http;
using Microsoft.AspNetCore.Connections;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Options;
using Serilog.Core;
using Serilog.Events;

namespace AbleMend.Server.Keeping;

/// <summary>Why the server cannot start, in one sentence with its remedy, and the code that it ends with.</summary>
internal static class StartFaults
{
    /// <summary>Something that was asked for makes no sense.</summary>
    public const int BadOptions = 2;

    /// <summary>The port is taken.</summary>
    public const int PortTaken = 3;

    /// <summary>The shop's file cannot be used.</summary>
    public const int FileUnusable = 4;

    /// <summary>The shop's file is damaged.</summary>
    public const int FileDamaged = 5;

    /// <summary>The sentence and the code, or null for what is nobody's fault but the program's.</summary>
    /// <param name="fault">What was thrown.</param>
    /// <param name="options">How the server was to be started.</param>
    public static (string Sentence, int Code)? Explain(Exception fault, ServerOptions options) =>
        fault switch
        {
            IOException { InnerException: AddressInUseException } => ($"Port {options.Port} is taken: stop what uses it, or choose another with --port.", PortTaken),
            OptionsValidationException bad => ($"{string.Join(" ", bad.Failures.Select(Said))} Correct it, and start again.", BadOptions),
            DamagedFileException damaged => (Damaged(damaged), FileDamaged),
            SqliteException { SqliteErrorCode: 11 or 26 } => ($"The shop's file {options.Database} is damaged, or none that Able Mend wrote. {Backup(Backups.Newest(options.Backups))}", FileDamaged),
            SqliteException sqlite => ($"{FileFaults.Sentence(sqlite)} ({options.Database})", FileUnusable),
            Microsoft.EntityFrameworkCore.DbUpdateException { InnerException: SqliteException sqlite } => ($"{FileFaults.Sentence(sqlite)} ({options.Database})", FileUnusable),
            UnauthorizedAccessException => ($"The shop's file {options.Database} or its folder may not be read and written: let the user that runs Able Mend do both.", FileUnusable),
            InvalidDataException or FileNotFoundException => ($"{fault.Message} Give another file.", BadOptions),
            IOException => ($"The shop's file {options.Database} cannot be opened: another start may be under way, or its folder is missing or full.", FileUnusable),
            _ => null,
        };

    /// <summary>
    /// Whether the framework logs no more than that something in the background was put off: when a start fails it ends what it has not begun yet,
    /// and calls that a fault of its own beside the sentence above. What runs here ends quietly when it is put off.
    /// </summary>
    /// <param name="said">What is about to be logged.</param>
    public static bool IsPutOff(LogEvent said) =>
        said is { Exception: OperationCanceledException } && said.Properties.TryGetValue(Constants.SourceContextPropertyName, out var from) && from is ScalarValue { Value: "Microsoft.Extensions.Hosting.Internal.Host" };

    /// <summary>What an option's own check says, out of the frame that the framework puts round it.</summary>
    private static string Said(string failure) =>
        failure.IndexOf("error: '", StringComparison.Ordinal) is var at and >= 0 ? failure[(at + "error: '".Length)..].TrimEnd('.', '\'') + "." : failure;

    private static string Damaged(DamagedFileException damaged) => $"The shop's file {damaged.Path} is damaged. {Backup(damaged.Newest)}";

    private static string Backup(string? newest) =>
        newest is null ? "There is no backup of it here: bring a copy of the file back, or start an empty shop on another with --data." : $"Bring the last backup back: ./run --restore {newest}";
}
