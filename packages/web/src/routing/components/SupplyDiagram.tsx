import type { LineJoint, SupplyLine } from '@tidy-badger/core/electrical'

const step = 178

/** The way of the current as one line: source, fuse, relay, module, ground, with volts and amps at each joint. */
export function SupplyDiagram({ line }: { line: SupplyLine }) {
  const { joints } = line
  const width = (joints.length - 1) * step + 150
  const x = (i: number) => 75 + i * step
  return (
    <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="The way of the current">
      <svg
        viewBox={`0 0 ${width} 190`}
        style={{ width: '100%', minWidth: Math.min(width, 620), maxHeight: 240 }}
        role="img"
      >
        <title>
          {joints.map((joint) => `${joint.name}, ${joint.volts.toFixed(2)} V, ${ampsText(joint.amps)}`).join('; ')}
        </title>
        {joints.map((joint, i) =>
          i === 0 ? null : (
            <g key={joint.id}>
              <path
                d={`M${x(i - 1)} 84H${x(i)}`}
                stroke={joint.what === 'ground' ? 'var(--ink)' : 'var(--stop)'}
                strokeWidth={joint.wire ? 3 + joint.wire.areaMm2 * 2.4 : 4}
                strokeDasharray={joint.what === 'ground' ? '10 6' : undefined}
              />
              {joint.wire && (
                <g textAnchor="middle" fontSize={14} fill="var(--quiet)" className="figures">
                  <text x={(x(i - 1) + x(i)) / 2} y={66}>
                    {joint.wire.areaMm2} mm²
                  </text>
                  <text x={(x(i - 1) + x(i)) / 2} y={112}>
                    {joint.wire.lengthM.toFixed(2)} m
                  </text>
                  <text x={(x(i - 1) + x(i)) / 2} y={130}>
                    −{Math.round(joint.wire.dropV * 1000)} mV
                  </text>
                </g>
              )}
            </g>
          ),
        )}
        {joints.map((joint, i) => (
          <g key={joint.id} textAnchor="middle">
            <JointMark joint={joint} x={x(i)} />
            <text x={x(i)} y={36} fontSize={19} fontWeight={700} fill="var(--ink)" className="figures">
              {joint.volts.toFixed(2)} V
            </text>
            <text x={x(i)} y={152} fontSize={15} fill="var(--ink)" className="figures">
              {ampsText(joint.amps)}
            </text>
            <text x={x(i)} y={176} fontSize={15} fontWeight={600} fill="var(--ink)">
              {short(joint.name)}
            </text>
          </g>
        ))}
      </svg>
    </div>
  )
}

/** The part after the circuit's name, cut to what fits between two joints. */
function short(name: string): string {
  const words = name.includes(': ') ? name.slice(name.indexOf(': ') + 2) : name
  return words.length > 21 ? `${words.slice(0, 20)}…` : words
}

function JointMark({ joint, x }: { joint: LineJoint; x: number }) {
  const line = { stroke: 'var(--ink)', strokeWidth: 2.5, fill: 'var(--paper)' }
  switch (joint.what) {
    case 'source':
      return (
        <g>
          <rect x={x - 24} y={66} width={48} height={36} rx={4} {...line} />
          <path d={`M${x - 12} 84h10M${x - 7} 79v10M${x + 4} 84h9`} {...line} />
        </g>
      )
    case 'fuse':
      return (
        <g>
          <rect x={x - 22} y={72} width={44} height={24} rx={4} {...line} />
          <path d={`M${x - 15} 84q7 -9 15 0t15 0`} {...line} fill="none" />
        </g>
      )
    case 'relay':
      return (
        <g>
          <rect x={x - 24} y={64} width={48} height={40} rx={4} {...line} />
          <path d={`M${x - 18} 78h8l16 -7M${x + 8} 78h10`} {...line} fill="none" />
          <rect x={x - 10} y={87} width={20} height={11} {...line} />
          <path d={`M${x - 10} 98l20 -11`} {...line} />
        </g>
      )
    case 'module':
      return (
        <g>
          <rect x={x - 30} y={62} width={60} height={44} rx={7} fill="var(--ink)" />
          <circle cx={x + 18} cy={74} r={4.5} fill="var(--lamp)" />
        </g>
      )
    case 'ground':
      return <path d={`M${x} 84v8M${x - 18} 92h36M${x - 11} 99h22M${x - 5} 106h10`} {...line} fill="none" />
    case 'joint':
      return <circle cx={x} cy={84} r={8} {...line} />
  }
}

/** Small currents in mA: a box that lives from a reference takes so little. */
function ampsText(amps: number): string {
  return amps > 0 && amps < 0.1 ? `${Math.round(amps * 1000)} mA` : `${amps.toFixed(2)} A`
}
