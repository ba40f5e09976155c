using System.Security.Cryptography;
using AbleMend.Core;
using AbleMend.Core.Running;
using AbleMend.Data;
using AbleMend.Server.Mends;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Photographs;

/// <summary>Lets few pictures be unpacked at once: each takes a hundred megabytes while it is.</summary>
public sealed class PictureTurns : IDisposable
{
    /// <value>Whoever unpacks one holds it.</value>
    public SemaphoreSlim Turn { get; } = new(2);

    /// <inheritdoc/>
    public void Dispose() => Turn.Dispose();
}

/// <summary>Photographs in the database, beside what they show: whoever backs up the shop's file has them.</summary>
public sealed class PhotographStore(MendDb db, MendRecords records, PictureTurns turns, TimeProvider time)
{
    /// <summary>Most photographs of one mend.</summary>
    public const int MostOfAMend = 60;

    /// <summary>How far ahead of the shop's clock a device's may be.</summary>
    private static readonly TimeSpan MostAhead = TimeSpan.FromMinutes(2);

    private static readonly Problem TooMany = new("too-many", "", $"A mend has room for {MostOfAMend} photographs.", "Remove those that show nothing.");
    private static readonly Problem Closed = new("handed-back", "", "This mend is closed: its photographs are part of its record.", "Leave them.");

    /// <summary>The photographs of a mend in the order in which they were taken; null where there is no such mend.</summary>
    public async Task<IReadOnlyList<PhotographView>?> ListAsync(int mendId, CancellationToken cancel) =>
        await db.MendAsync(mendId, cancel) is not { } mend ? null
        : [.. (await db.Photographs.AsNoTracking().Where(row => row.MendId == mendId).OrderBy(row => row.At).ThenBy(row => row.Id).ToListAsync(cancel)).Select(row => View(row, records.Read(mend).Value))];

    /// <summary>Keeps a photograph. The same file sent again is the photograph that it already is.</summary>
    /// <param name="mendId">The mend.</param>
    /// <param name="stepId">Step that it was taken at, or null.</param>
    /// <param name="at">When it was taken; null for now.</param>
    /// <param name="file">The picture as it was sent.</param>
    /// <param name="cancel">Gives up.</param>
    /// <returns>Null where there is no such mend.</returns>
    public async Task<Outcome<PhotographView>?> KeepAsync(int mendId, string? stepId, DateTimeOffset? at, byte[] file, CancellationToken cancel)
    {
        if (await db.MendAsync(mendId, cancel) is not { } row)
        {
            return null;
        }

        var (now, mend) = (time.GetUtcNow(), records.Read(row).Value);
        var sent = Convert.ToHexStringLower(SHA256.HashData(file));
        if (await TwinAsync(mendId, sent, cancel) is { } twin)
        {
            return Outcome<PhotographView>.Of(View(twin, mend));
        }

        if (await FaultAsync(row, mend, stepId, at, now, cancel) is { } fault)
        {
            return Outcome<PhotographView>.Failed([fault]);
        }

        var read = await ReadAsync(file, cancel);
        if (read.Value is not { } picture)
        {
            return Outcome<PhotographView>.Failed(read.Problems);
        }

        var kept = new PhotographRow
        {
            MendId = mendId,
            StepId = stepId,
            At = at is { } taken && taken < now ? taken : now,
            Width = picture.Width,
            Height = picture.Height,
            Sent = sent,
            Picture = new PictureRow { Jpeg = picture.Jpeg, Thumbnail = picture.Thumbnail },
        };
        db.Photographs.Add(kept);
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException)
        {
            // The same was sent twice at once, or the draft was thrown away meanwhile.
            db.ChangeTracker.Clear();
            return await TwinAsync(mendId, sent, cancel) is { } first ? Outcome<PhotographView>.Of(View(first, mend)) : null;
        }

        return Outcome<PhotographView>.Of(View(kept, mend));
    }

    /// <summary>Removes a photograph of a mend that is not closed.</summary>
    /// <returns>Null where there is none; else what speaks against it, mostly nothing.</returns>
    public async Task<IReadOnlyList<Problem>?> RemoveAsync(int id, CancellationToken cancel)
    {
        if (await db.Photographs.Include(row => row.Mend).FirstOrDefaultAsync(row => row.Id == id, cancel) is not { } row)
        {
            return null;
        }

        if (row.Mend!.ClosedAt is not null)
        {
            return [Closed];
        }

        return await db.Photographs.Where(each => each.Id == id).ExecuteDeleteAsync(cancel) > 0 ? [] : null;
    }

    /// <summary>A picture, or the small one; null where there is none.</summary>
    public Task<byte[]?> PictureAsync(int id, bool small, CancellationToken cancel) =>
        db.Pictures.AsNoTracking().Where(row => row.PhotographId == id).Select(row => small ? row.Thumbnail : row.Jpeg).FirstOrDefaultAsync(cancel);

    private Task<PhotographRow?> TwinAsync(int mendId, string sent, CancellationToken cancel) =>
        db.Photographs.AsNoTracking().FirstOrDefaultAsync(row => row.MendId == mendId && row.Sent == sent, cancel);

    private async Task<Problem?> FaultAsync(MendRow row, Mend? mend, string? stepId, DateTimeOffset? at, DateTimeOffset now, CancellationToken cancel) =>
        stepId is not null && mend?.Plan?.Steps.Any(step => step.Id == stepId) != true ? new Problem("unknown-id", "step", $"The plan has no step '{stepId:as-is}'.", "Reload the mend.")
        : at > now + MostAhead ? new Problem("clock-ahead", "at", "That lies in the future: the device's clock is ahead of the shop's.", "Set the device's clock.")
        : at < row.CreatedAt.AddDays(-30) ? new Problem("before-start", "at", "That was long before the item came in.", "Leave it out.")
        : await db.Photographs.CountAsync(each => each.MendId == row.Id, cancel) >= MostOfAMend ? TooMany
        : null;

    private async Task<Outcome<Picture>> ReadAsync(byte[] file, CancellationToken cancel)
    {
        await turns.Turn.WaitAsync(cancel);
        try
        {
            return await Task.Run(() => Picture.Read(file), cancel);
        }
        finally
        {
            turns.Turn.Release();
        }
    }

    private static PhotographView View(PhotographRow row, Mend? mend) =>
        new(row.Id, row.MendId, row.StepId, mend?.Plan?.Steps.FirstOrDefault(step => step.Id == row.StepId)?.Title, row.At, row.Width, row.Height);
}
