using AbleMend.Core.Catalogue;
using AbleMend.Core.Plans;
using AbleMend.Core.Words;

namespace AbleMend.Core.Worth;

/// <summary>What a customer is told before they say yes: how long it holds, how it will look, the warranty, and the limits of use.</summary>
public static class ToTell
{
    /// <summary>Marks for tidiness from which a mend hardly shows, 0 to 5. Common practice, no source.</summary>
    public const double HardlyShowsFrom = 4;

    /// <summary>Marks for tidiness below which a mend plainly shows, 0 to 5. Common practice, no source.</summary>
    public const double PlainlyShowsBelow = 3;

    /// <summary>The lines for a plan, each once.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="warranty">The maker's warranty of the item.</param>
    public static IReadOnlyList<Message> Of(RepairPlan plan, Warranty warranty)
    {
        var mended = plan.Damages.Where(damage => damage.System is not null).ToList();
        return mended.Count == 0
            ? []
            :
            [
                .. mended.Select(Holds).Append(Looks(mended)).Append(OfWarranty(warranty)).OfType<Message>()
                    .Concat(mended.SelectMany(damage => damage.Aftercare?.Watch ?? []).Where(watch => watch.Figure is null).Select(watch => watch.Text))
                    .DistinctBy(line => Voice.Plain.Say(line)),
            ];
    }

    private static Message Holds(PlannedDamage damage) =>
        damage.System!.Permanence == Permanence.Lasting ? "It is meant to hold for good."
        : damage.ProperRepair is { } proper ? (Message)$"It holds for now. The proper repair is still to come: {proper}"
        : "It holds for now, and not for good.";

    private static Message Looks(IReadOnlyList<PlannedDamage> mended) =>
        mended.Min(TidinessOf) switch
        {
            >= HardlyShowsFrom => "It will hardly show.",
            >= PlainlyShowsBelow => "It will show when looked at closely.",
            _ => "It will plainly show.",
        };

    private static double TidinessOf(PlannedDamage damage) =>
        damage.Candidates.FirstOrDefault(each => each.Method == damage.System!.Method && each.Material == damage.System.Material)?.Marks.Tidy ?? 0;

    private static Message? OfWarranty(Warranty warranty) => warranty switch
    {
        Warranty.InForce => "The maker's warranty is in force, and a mend by anybody else may end it.",
        Warranty.Unknown => "Nobody knows whether the maker's warranty is in force. Where it is, a mend by anybody else may end it.",
        _ => null,
    };
}
