using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;

namespace AbleMend.Core.Methods;

/// <summary>A leaking valve: clean the seat, tighten, else a new core; the skin is glued only when its flange has let go.</summary>
internal sealed class ValveReseat : MendMethod
{
    public override string Id => "valve-reseat";

    public override string Name => "Clean and reseat the valve";

    public override string Why => "Most leaking valves have sand on the seat or a core that has worked loose.";

    public override int Skill => 1;

    public override int Tidiness => 5;

    public override IReadOnlyList<string> Needs => ["valve-key"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.ValveLeak];

    public override bool Takes(Material material) => material.Role == Role.Part;

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Find().Deflate();
        job.Do("unscrew", Stage.Prepare, "Unscrew the core, hold the flange", "One hand holds the flange inside the skin so that it does not turn with the key.", 3, "Hold the flange: a flange that turns tears its weld.", draws: ["cut"]);
        job.Do("rinse", Stage.Prepare, "Rinse sand off, look at the seal", "Clean water and a soft brush on seat and seal. A nick, a flat or a set: a new core.", 4, "Look at the seal against the light: a hair across it leaks.");
        job.Takes(job.Main);
        job.Do("seat", Stage.Apply, "Screw it home, hand-tight and a little", "A film of silicone-free grease on the seal. Hand-tight, then an eighth of a turn with the key.", 3, "An eighth, not more: plastic threads strip.",
            job.Loadable(job.Label, null), draws: ["seat"]);
        job.Inflate().Prove("soap").Watch().Prove("hold");
        job.Draw(sketch => sketch.Slab("seat", MarkKind.Clamp, "core", 6, -2, 1));
        return job.End(job.Hurt, job.Around(6));
    }
}
