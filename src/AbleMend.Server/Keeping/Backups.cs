using System.Globalization;
using AbleMend.Data;
using Microsoft.Extensions.Options;

namespace AbleMend.Server.Keeping;

/// <summary>
/// Backups of the shop's file, made while it is in use: one a day, kept for a week, and the first of each week for two months more.
/// </summary>
/// <param name="options">Where they are kept.</param>
/// <param name="time">The shop's clock.</param>
/// <param name="log">Says what was not kept.</param>
public sealed class Backups(IOptions<ServerOptions> options, TimeProvider time, ILogger<Backups> log) : BackgroundService
{
    private const string Written = "yyyy-MM-dd'T'HH-mm-ss";
    private const int Days = 7;
    private const int Weeks = 8;

    private static readonly TimeSpan Every = TimeSpan.FromHours(24);
    private static readonly TimeSpan LookEvery = TimeSpan.FromMinutes(15);

    /// <summary>An instant as it is written on a file.</summary>
    public static string Stamp(DateTimeOffset at) => at.UtcDateTime.ToString(Written, CultureInfo.InvariantCulture);

    /// <summary>The newest backup of a folder, or null.</summary>
    public static string? Newest(string? folder) => In(folder).Select(each => each.Path).FirstOrDefault();

    /// <summary>Makes a backup now, and throws away those that are kept no longer.</summary>
    /// <returns>Path of the backup.</returns>
    public async Task<string> MakeAsync(CancellationToken cancel)
    {
        var (folder, now) = (Path.GetFullPath(options.Value.Backups!), time.GetUtcNow());
        Directory.CreateDirectory(folder);
        var path = Path.Combine(folder, $"shop-{Stamp(now)}.db");
        await ShopFile.CopyAsync(Path.GetFullPath(options.Value.Database), path, cancel);
        if (await ShopFile.FaultAsync(path, cancel) is not null)
        {
            log.LogCritical("The shop's file is damaged: its backup {Path} is not sound, and older ones are kept", path);
            return path;
        }

        foreach (var (old, _) in Outlived(In(folder)))
        {
            File.Delete(old);
        }

        return path;
    }

    /// <summary>Those that are kept no longer: neither of the last days, nor the first of one of the last weeks.</summary>
    /// <param name="kept">All, newest first.</param>
    internal static IReadOnlyList<(string Path, DateTimeOffset At)> Outlived(IReadOnlyList<(string Path, DateTimeOffset At)> kept)
    {
        var days = kept.GroupBy(each => each.At.UtcDateTime.Date).Take(Days).Select(day => day.First());
        var weeks = kept.GroupBy(each => (ISOWeek.GetYear(each.At.UtcDateTime), ISOWeek.GetWeekOfYear(each.At.UtcDateTime))).Take(Weeks).Select(week => week.Last());
        return [.. kept.Except(days.Concat(weeks))];
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (options.Value.Backups is null)
        {
            return;
        }

        using var look = new PeriodicTimer(LookEvery, time);
        do
        {
            try
            {
                if (In(options.Value.Backups).All(each => time.GetUtcNow() - each.At >= Every))
                {
                    await MakeAsync(stoppingToken);
                }
            }
            catch (OperationCanceledException)
            {
                return;
            }
            catch (Exception fault) when (fault is IOException or UnauthorizedAccessException or Microsoft.Data.Sqlite.SqliteException)
            {
                // A backup that could not be made is tried again, and stops nobody's work.
                log.LogError("No backup was made: {Reason}", fault.Message);
            }
        }
        while (await look.NextAsync(stoppingToken));
    }

    private static IReadOnlyList<(string Path, DateTimeOffset At)> In(string? folder) =>
        folder is null || !Directory.Exists(folder)
            ? []
            : [.. Directory.GetFiles(folder, "shop-*.db")
                .Select(path => (Path: path, Known: DateTimeOffset.TryParseExact(Path.GetFileNameWithoutExtension(path)["shop-".Length..], Written, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var at), At: at))
                .Where(each => each.Known)
                .Select(each => (each.Path, each.At))
                .OrderByDescending(each => each.At)];
}
