using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Matching;
using AbleMend.Core.Materials;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;

namespace AbleMend.Core.Methods;

/// <summary>What most ways of mending share: the kinds of damage they are for, and an outline that is the plan's own.</summary>
public abstract class MendMethod : IMendMethod
{
    /// <inheritdoc/>
    public abstract string Id { get; }

    /// <inheritdoc/>
    public abstract string Name { get; }

    /// <inheritdoc/>
    public abstract string Why { get; }

    /// <inheritdoc/>
    public virtual Permanence Permanence => Proper is null ? Permanence.Lasting : Permanence.ForNow;

    /// <inheritdoc/>
    public virtual int Skill => 2;

    /// <inheritdoc/>
    public virtual int Tidiness => 3;

    /// <inheritdoc/>
    public virtual IReadOnlyList<string> Needs => [];

    /// <inheritdoc/>
    public virtual IReadOnlyList<string> Schools => [];

    /// <inheritdoc/>
    public virtual ProperRepair? Proper => null;

    /// <inheritdoc/>
    public abstract IReadOnlyList<DamageKind> Kinds { get; }

    /// <inheritdoc/>
    public virtual IReadOnlyList<ReachedLayer> Touches(CaseView view) => view.Reach.Touched;

    /// <inheritdoc/>
    public virtual string Cloth(CaseView view) => "glass-136";

    /// <inheritdoc/>
    public virtual string Filler(CaseView view) => "microballoons";

    /// <inheritdoc/>
    public Message? DoesNotFit(CaseView view) =>
        Kinds.Contains(view.Damage.Kind) ? Unfit(view) : "It is not for this kind of damage.";

    /// <inheritdoc/>
    public abstract bool Takes(Material material);

    /// <inheritdoc/>
    public virtual IReadOnlyList<StepTiming> Outline(CaseView view, Material material, IReadOnlyList<Override> byHand) =>
        [.. Compose(new MethodInputs(view, Companions.For(view, this, material), new FigureGraph(byHand, untold: true), TimingOnly: true)).Steps.Select(step => step.Timing)];

    /// <inheritdoc/>
    public abstract Composition Compose(MethodInputs inputs);

    /// <summary>Why it is no use for a case of a kind that it is for, or null.</summary>
    protected virtual Message? Unfit(CaseView view) => null;

    /// <summary>Only the outermost layer: what is glued on, not into.</summary>
    protected static IReadOnlyList<ReachedLayer> Outermost(CaseView view) => [view.Reach.Layers[0]];

    /// <summary>Whether the outermost layer is of one of some families.</summary>
    protected static bool OuterIs(CaseView view, params ReadOnlySpan<string> families)
    {
        foreach (var family in families)
        {
            if (view.Outer.Families.Contains(family))
            {
                return true;
            }
        }

        return false;
    }
}
