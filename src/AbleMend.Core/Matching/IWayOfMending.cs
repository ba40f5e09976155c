using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;

namespace AbleMend.Core.Matching;

/// <summary>A way of mending as it is ranked: what it is good for, what it needs, and how long it takes.</summary>
public interface IWayOfMending
{
    /// <value>Identifier.</value>
    string Id { get; }

    /// <value>Name in words of the trade.</value>
    string Name { get; }

    /// <value>Why somebody would choose this school.</value>
    string Why { get; }

    /// <value>How long it is meant to hold.</value>
    Permanence Permanence { get; }

    /// <value>1 forgiving, 2 some practice, 3 demanding.</value>
    int Skill { get; }

    /// <value>How tidy it comes out, 1 to 5.</value>
    int Tidiness { get; }

    /// <value>Identifiers of tools without which it cannot be done.</value>
    IReadOnlyList<string> Needs { get; }

    /// <summary>The layers that the main material touches: it must hold on each and may attack none.</summary>
    IReadOnlyList<ReachedLayer> Touches(CaseView view);

    /// <summary>Identifier of the cloth that is laid when none was chosen.</summary>
    string Cloth(CaseView view);

    /// <summary>Identifier of the filler that is stirred in when none was chosen.</summary>
    string Filler(CaseView view);

    /// <summary>Why this method is no use for a case, or null when it fits.</summary>
    Message? DoesNotFit(CaseView view);

    /// <summary>Whether the method works with a material.</summary>
    bool Takes(Material material);

    /// <summary>Hands and waits in outline, for ranking: must agree with the plan in what is waited for.</summary>
    /// <param name="view">The case.</param>
    /// <param name="material">The material that holds.</param>
    /// <param name="byHand">Figures that were set by hand for this system.</param>
    IReadOnlyList<StepTiming> Outline(CaseView view, Material material, IReadOnlyList<Override> byHand);
}
