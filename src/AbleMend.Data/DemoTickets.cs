using AbleMend.Core;
using AbleMend.Core.Plans;
using AbleMend.Core.Worth;

namespace AbleMend.Data;

/// <summary>The demo's counter: who brought some of what is on the bench. Everybody is invented.</summary>
internal static class DemoTickets
{
    private const string HeardBy = "Wren";

    /// <summary>A ticket, the tags on it, and those of them that were said yes to.</summary>
    private sealed record Brought(string Name, string Reach, string? Note, string[] Tags, string[] Agreed);

    private static readonly IReadOnlyList<Brought> All =
    [
        new("Iris Vale", "boat house, extension 12", null, ["BRD-04", "BRD-08"], ["BRD-04"]),
        new("Orla Finch", "north cabins, bell 3", "The sand one can wait.", ["BRD-12", "BRD-02"], ["BRD-12"]),
        new("Ned Sorrel", "radio, channel 4", "Both skis go out together.", ["SKI-22R"], ["SKI-22R"]),
    ];

    /// <summary>Writes the tickets on the mends that they are about.</summary>
    /// <param name="db">The database, with the demo's mends in it.</param>
    /// <param name="planner">Planner for what is not begun.</param>
    /// <param name="mends">The demo's mends with the tags of their items.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task WriteAsync(MendDb db, Planner planner, IReadOnlyList<(string Tag, MendRow Row)> mends, CancellationToken cancel)
    {
        foreach (var brought in All)
        {
            var on = mends.Where(each => brought.Tags.Contains(each.Tag)).ToList();
            var ticket = new TicketRow
            {
                CustomerName = brought.Name,
                Reach = brought.Reach,
                Note = brought.Note,
                TakenInAt = on.Min(each => each.Row.CreatedAt),
                DueAt = on.Min(each => each.Row.DueAt),
            };
            db.Tickets.Add(ticket);
            await db.SaveChangesAsync(cancel);
            foreach (var (tag, row) in on)
            {
                row.TicketId = ticket.Id;
                if (brought.Agreed.Contains(tag))
                {
                    db.Agreements.Add(AgreementRows.Of(row.Id, Yes(brought.Name, row, planner)));
                }
            }

            await db.SaveChangesAsync(cancel);
        }
    }

    private static Agreement Yes(string name, MendRow row, Planner planner)
    {
        var (repairCase, plan) = (OpenJson.ReadCase(PackedText.Read(row.CasePacked)).Value!, OpenJson.ReadPlan(PackedText.Read(row.PlanPacked!)).Value!);
        var estimate = Estimate.Of(plan, DemoData.Settings.Rates!, [], planner.Catalogue.Materials);
        // A little is left for what a lot costs that is not priced yet.
        return new Agreement(row.CreatedAt.AddMinutes(10), name, HeardBy, Math.Ceiling(estimate.Most * 1.1), estimate.Currency, ToTell.Of(plan, repairCase.Item.Warranty));
    }
}
