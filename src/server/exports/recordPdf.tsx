import 'server-only'
import { Document, Image, Page, renderToBuffer, StyleSheet, Text, View } from '@react-pdf/renderer'
import { CATALOGUE } from '@/catalogue'
import { assess, type DeviceAssessment, type Mark } from '@/core/assess'
import { PLANNED_STAGES, type Verdict } from '@/core/findings'
import { deviceRecord } from '@/core/handover'
import type { Job } from '@/core/job'
import { printReading } from '@/core/units'
import { drawingsOf } from '@/drawings'
import type { Db } from '../db/open'
import { readPhoto } from '../photos/store'
import { registerFonts } from './fonts'
import { inFont, PdfDrawing } from './pdfDrawing'

const INK = '#1C2126'
const SOFT = '#5A636C'
const styles = StyleSheet.create({
  page: { padding: 36, paddingBottom: 46, fontFamily: 'Barlow', fontSize: 9.5, color: INK, lineHeight: 1.35 },
  h1: { fontSize: 18, fontWeight: 600 },
  h2: { fontSize: 14, fontWeight: 600, borderBottomWidth: 1.5, borderColor: INK, paddingBottom: 2, marginBottom: 4 },
  h3: { fontSize: 11, fontWeight: 600, marginTop: 10, marginBottom: 2 },
  row: { flexDirection: 'row', justifyContent: 'space-between', borderBottomWidth: 0.5, borderColor: '#D3D0C6', paddingVertical: 1 },
  soft: { color: SOFT },
  strong: { fontWeight: 600 },
  foot: { position: 'absolute', bottom: 22, left: 36, right: 36, flexDirection: 'row', justifyContent: 'space-between', fontSize: 8, color: SOFT },
})

/** Words only: the signs of the screen are not in the shipped font. */
const MARK_WORDS: Record<Mark, string> = { 'not planned': '', 'ready': 'ready', 'done': 'done', 'check': 'CHECK', 'stop': 'STOP' }
const VERDICT_WORDS: Record<Verdict, string> = { good: 'Good', check: 'Check', stop: 'Stop' }

/** The record of a job, or of one of its devices, as PDF for A4. Null when there is no such device. */
export async function recordPdf(db: Db, folder: string, job: Job, deviceId: string | null): Promise<Buffer | null> {
  registerFonts()
  const assessment = assess(job, CATALOGUE)
  const devices = deviceId === null ? assessment.devices : assessment.devices.filter((device) => device.deviceId === deviceId)
  if (devices.length === 0 && deviceId !== null) return null
  const picture = (sha256: string) => readPhoto(db, folder, sha256, 'view')?.bytes ?? null
  return renderToBuffer(
    <Document title={`${job.name}: record`} author="Neat Bracket">
      {deviceId === null ? (
        <Page size="A4" style={styles.page}>
          <Text style={styles.h1}>{job.name}</Text>
          <Text style={styles.soft}>{[job.address, job.headEnd ? `head end: ${job.headEnd}` : ''].filter(Boolean).join(' · ')}</Text>
          <Text style={{ marginVertical: 8 }}>{assessment.sentence} Pin scheme {job.policies.pinScheme} at both ends.</Text>
          {devices.map((device) => (
            <View key={device.deviceId} style={styles.row} wrap={false}>
              <Text style={{ width: 150 }}><Text style={styles.strong}>{device.mark}</Text> {device.name}</Text>
              <Text style={{ flex: 1 }}>{PLANNED_STAGES.flatMap((stage) => (device.stages?.[stage]?.planned ? [`${stage} ${printReading(device.stages[stage].result.headline, job.units)}${MARK_WORDS[device.stages[stage].mark] ? ` (${MARK_WORDS[device.stages[stage].mark]})` : ''}`] : [])).join(', ')}</Text>
              <Text style={{ width: 44, textAlign: 'right' }}>{device.log.done}/{device.log.total}</Text>
            </View>
          ))}
          <Foot name={job.name} />
        </Page>
      ) : null}
      {devices.map((device) => <DevicePages key={device.deviceId} job={job} assessed={device} picture={picture} />)}
    </Document>,
  )
}

function Foot({ name }: { name: string }) {
  return <View style={styles.foot} fixed><Text>{name}</Text><Text render={({ pageNumber, totalPages }) => `${pageNumber} of ${totalPages}`} /></View>
}

function DevicePages({ job, assessed, picture }: { job: Job; assessed: DeviceAssessment; picture: (sha256: string) => Buffer | null }) {
  const device = job.devices.find(({ id }) => id === assessed.deviceId)!
  const record = deviceRecord(job, device, assessed, CATALOGUE)
  const drawings = drawingsOf(assessed, job.units, 460)
  return (
    <Page size="A4" style={styles.page}>
      <Text style={styles.h2}>{device.mark}  {device.name}</Text>
      <Text style={{ marginBottom: 4 }}>{assessed.sentence}</Text>
      {record.facts.map(({ label, says }) => <View key={label} style={styles.row}><Text style={styles.soft}>{label}</Text><Text style={{ maxWidth: 380, textAlign: 'right' }}>{says}</Text></View>)}
      {PLANNED_STAGES.map((stage) => {
        const state = assessed.stages?.[stage]
        if (!state?.planned) return null
        const drawing = drawings[stage]
        return (
          <View key={stage} wrap={false}>
            <Text style={styles.h3}>{stage[0]!.toUpperCase() + stage.slice(1)} {MARK_WORDS[state.mark] ? `(${MARK_WORDS[state.mark]})` : ''}</Text>
            <View style={{ flexDirection: 'row', gap: 14 }}>
              {drawing ? <PdfDrawing drawing={drawing} width={310} /> : null}
              <View style={{ flex: 1, fontSize: 8.5 }}>{state.result.figures.map(({ label, reading }) => <View key={label} style={{ flexDirection: 'row', justifyContent: 'space-between' }}><Text style={styles.soft}>{label.replace('· ', '')}</Text><Text>{inFont(printReading(reading, job.units))}</Text></View>)}</View>
            </View>
            {state.result.findings.filter(({ verdict }) => verdict !== 'good').map((finding) => <Text key={finding.id}><Text style={styles.strong}>{VERDICT_WORDS[finding.verdict]} {finding.title}:</Text> {printReading(finding.figure, job.units)}. {finding.advice}</Text>)}
          </View>
        )
      })}
      <Text style={styles.h3} minPresenceAhead={40}>Install log, {assessed.log.done} of {assessed.log.total}</Text>
      {assessed.steps.map(({ step, record: done, verdict, says }) => (
        <View key={step.id} style={styles.row} wrap={false}>
          <Text style={{ width: 40, ...styles.strong }}>{verdict ? VERDICT_WORDS[verdict] : 'open'}</Text>
          <Text style={{ flex: 1.2, paddingRight: 8 }}>{step.title}</Text>
          <Text style={{ flex: 1, paddingRight: 8 }}>{inFont(says)}</Text>
          <Text style={styles.soft}>{done ? `${done.by}, ${done.at.slice(0, 10)}` : ''}</Text>
        </View>
      ))}
      {record.faults.length > 0 ? <Text style={styles.h3}>Faults</Text> : null}
      {record.faults.map(({ id, title, state, history }) => <Text key={id}><Text style={styles.strong}>{title}</Text> ({state}). {history}</Text>)}
      {record.photos.length > 0 ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginTop: 10 }}>
          {record.photos.map((photo) => {
            const bytes = picture(photo.sha256)
            // A picture of a PDF has no alt text; its caption stands below it.
            // eslint-disable-next-line jsx-a11y/alt-text
            return bytes ? <View key={photo.id} wrap={false} style={{ width: 168 }}><Image src={{ data: bytes, format: 'jpg' }} style={{ width: 168, height: 126, objectFit: 'cover' }} /><Text style={{ fontSize: 8 }}>{photo.caption} {photo.at.slice(0, 10)}</Text></View> : null
          })}
        </View>
      ) : null}
      <Foot name={job.name} />
    </Page>
  )
}
