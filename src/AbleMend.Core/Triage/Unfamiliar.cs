using AbleMend.Core.Catalogue;
using AbleMend.Core.Cases;
using AbleMend.Core.Gear;

namespace AbleMend.Core.Triage;

/// <summary>A damage that the construction is not known to have: said as such, with what it most likely is and who can judge it.</summary>
internal static class Unfamiliar
{
    private const string Practice = "Common practice, no source.";

    /// <summary>The verdict on it, or null where the kind is a usual one.</summary>
    public static Verdict? Judge(CaseView view)
    {
        var usual = view.Construction.Damages;
        if (usual.Any(each => each.Kind == view.Damage.Kind))
        {
            return null;
        }

        var likely = usual.OrderByDescending(each => each.Location == view.Location.Id).Select(each => each.Kind).Distinct().ToList();
        return new Verdict(
            Decision.Refer,
            [
                new Reason("kind-unknown", $"No way of mending this is known here: {DamageNames.Of(view.Damage.Kind)}, on {view.Construction.Name:inside}.", true, Practice),
                new Reason("kind-likely", $"What it usually has: {DamageNames.Of(likely)}. Look again whether it is one of these.", false, Practice),
                new Reason("kind-judge", $"If it is none of them, it is judged by {Judges.Of(view.Construction.Family)}. Until then it is not used.", false, Practice),
            ]);
    }
}
